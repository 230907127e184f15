import { clearWeather, hours } from "@test/clear-weather";
import { site, type siteInput } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { monthBins } from "../time";
import { runYield, yieldLines, yieldSum } from ".";

const axis = hours("2024-12-31T23:00:00Z", 8760);
const year = (parts: Parameters<typeof siteInput>[0], without: readonly "shading"[] = []) => {
  const stood = site(parts);
  return yieldSum("2025", yieldLines(runYield(stood, clearWeather(axis, stood.place), monthBins(axis, stood.place.timeZone), { without })));
};
const tree = { id: "t", kind: "tree" as const, heightM: 9, widthM: 6, eastM: 0, northM: -12 };
const gap = (line: ReturnType<typeof year>) =>
  line.referenceKwh - Object.values(line.accountsKwh).reduce((a, b) => a + b, 0) - line.expectedKwh;

describe("shading in the chain", () => {
  it("takes from the energy, and the account still balances", () => {
    const [open, shaded] = [year({}), year({ obstacles: [tree] })];
    expect(shaded.accountsKwh.shading).toBeGreaterThan(100);
    expect(shaded.expectedKwh).toBeLessThan(open.expectedKwh);
    expect(shaded.referenceKwh).toBeCloseTo(open.referenceKwh, 6);
    expect(Math.abs(gap(shaded))).toBeLessThan(1e-6);
  });

  it("is gone when the cause is taken away, or when the book counts none", () => {
    const open = year({});
    expect(year({ obstacles: [tree] }, ["shading"]).expectedKwh).toBeCloseTo(open.expectedKwh, 6);
    expect(year({ obstacles: [tree], models: { shading: "none" } }).expectedKwh).toBeCloseTo(open.expectedKwh, 6);
  });

  it("a level horizon and an obstacle behind the array's back cost next to nothing", () => {
    expect(year({ horizon: [{ azimuthDeg: 0, elevationDeg: 0 }] }).accountsKwh.shading).toBe(0);
    const behind = year({ obstacles: [{ ...tree, northM: 40 }] });
    expect(behind.accountsKwh.shading / behind.referenceKwh).toBeLessThan(0.002);
  });

  it("a second obstacle never brings energy, and the same tree in the south of a southern site costs nearly nothing", () => {
    const one = year({ obstacles: [tree] });
    const two = year({ obstacles: [tree, { ...tree, id: "u", eastM: 8 }] });
    expect(two.expectedKwh).toBeLessThan(one.expectedKwh);
    const south = {
      place: { latitudeDeg: -40, longitudeDeg: 0, timeZone: "UTC" },
      arrays: [{ id: "a", module: "m", count: 20, tiltDeg: 30, azimuthDeg: 0 }],
    };
    const [toPole, toEquator] = [year({ ...south, obstacles: [tree] }), year({ ...south, obstacles: [{ ...tree, northM: 12 }] })];
    expect(toPole.accountsKwh.shading * 20).toBeLessThan(toEquator.accountsKwh.shading);
  });

  it.each(["module-level", "bypass-diodes", "worst-module"] as const)("keeps its order of rules: %s", (rule) => {
    const lost = (shading: typeof rule) => year({ obstacles: [tree], models: { shading } }).accountsKwh.shading;
    expect(lost("module-level")).toBeLessThanOrEqual(lost(rule) + 1e-6);
    expect(lost(rule)).toBeLessThanOrEqual(lost("worst-module") + 1e-6);
  });

  it("one inverter a module is told as module level, modules without diodes as worst module", () => {
    const perModule = { inverters: [{ id: "i", arrays: ["a"], acRatedW: 390, perModule: true }] };
    const same = (a: object, b: object) =>
      expect(year({ obstacles: [tree], ...a }).expectedKwh).toBeCloseTo(year({ obstacles: [tree], ...b }).expectedKwh, 6);
    same(perModule, { ...perModule, models: { shading: "module-level" } });
    const bare = { modules: { m: { pmpW: 400, bypassDiodes: 0 } } };
    same(bare, { ...bare, models: { shading: "worst-module" } });
  });
});
