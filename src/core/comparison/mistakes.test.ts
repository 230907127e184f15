import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { Site } from "../site";
import { skyWithoutFile } from "../weather";
import { prepareWeather } from "../yield";
import { type Mistake, mistakeCost } from ".";

const module = { pmpW: 400, vocV: 49.1, iscA: 10.3, vmpV: 41, impA: 9.76, cellsInSeries: 72 };
const roof: Site = site({ modules: { m: module, old: { ...module, pmpW: 200, iscA: 5.3, impA: 4.88 } } });
const [array] = roof.arrays;
const prepared = prepareWeather(roof.place, skyWithoutFile("mediterranean", roof.place));
const cost = (mistake: Mistake, on: Site = roof) => mistakeCost(on, on.arrays[0]!, prepared, mistake, 1)!;
const lost = (mistake: Mistake): number => 1 - cost(mistake).isKwh / cost(mistake).couldKwh;

describe("what a mistake costs", () => {
  it("of azimuth and tilt is nothing where there is none, grows with it, and is small at first", () => {
    const turned = (isDeg: number) => lost({ kind: "azimuth", isDeg, couldDeg: 180 });
    expect(turned(180)).toBe(0);
    expect(turned(195)).toBeLessThan(0.02);
    expect(turned(270)).toBeGreaterThan(4 * turned(210));
    expect(lost({ kind: "tilt", isDeg: 70, couldDeg: 30 })).toBeGreaterThan(0.08);
    expect(lost({ kind: "tilt", isDeg: 30, couldDeg: 70 })).toBeLessThan(0);
  });

  it("of a rack left at the winter's tilt is more than of changing it late", () => {
    const steps = [
      { from: "03-21", tiltDeg: 25 },
      { from: "09-22", tiltDeg: 55 },
    ];
    const left = lost({ kind: "left", leftDeg: 55, steps });
    const late = (days: number) => lost({ kind: "late", days, steps });
    expect(left).toBeGreaterThan(0.03);
    expect(late(21)).toBeGreaterThan(late(7));
    expect(late(21)).toBeLessThan(left);
    expect(late(0)).toBe(0);
  });

  it("of a late change wraps at the year's end", () => {
    const steps = [
      { from: "12-20", tiltDeg: 55 },
      { from: "04-01", tiltDeg: 20 },
    ];
    expect(Math.abs(lost({ kind: "late", days: 30, steps }))).toBeLessThan(0.05);
  });

  it("of shade is more the nearer it stands", () => {
    const tree = (distanceM: number) => lost({ kind: "shade", obstacle: "tree", heightM: 9, widthM: 5, azimuthDeg: 180, distanceM });
    expect(tree(8)).toBeGreaterThan(tree(20));
    expect(tree(20)).toBeGreaterThanOrEqual(0);
    expect(lost({ kind: "shade", obstacle: "wall", heightM: 9, widthM: 5, azimuthDeg: 0, distanceM: 8 })).toBeLessThan(tree(8));
  });

  it("of dirt is its share, a little less where the inverter clips", () => {
    expect(lost({ kind: "dirt", frac: 0.05 })).toBeGreaterThan(0.03);
    expect(lost({ kind: "dirt", frac: 0.05 })).toBeLessThan(0.055);
  });

  it("of a cable falls with its section", () => {
    const run = { kind: "cable", lengthM: 60, couldMm2: 10, currentA: 9.76, voltageV: 410 } as const;
    const thin = cost({ ...run, isMm2: 2.5 });
    expect(thin.isKwh).toBeLessThan(thin.couldKwh);
    const [of25, of5] = [2.5, 5].map((isMm2) => cost({ ...run, isMm2, couldMm2: 1e9 }));
    expect((of25!.couldKwh - of25!.isKwh) / (of5!.couldKwh - of5!.isKwh)).toBeCloseTo(2, 6);
  });

  it("of a weak module in a string is more than its own share, and electronics bring most of it back", () => {
    const weak = cost({ kind: "string", inSeries: 10, modules: 1, module: "m", lightFrac: 0.5 });
    expect(1 - weak.isKwh / weak.couldKwh).toBeGreaterThan(0.05);
    expect(weak.mendedKwh).toBeGreaterThan(weak.isKwh);
    expect(weak.mendedKwh).toBeLessThan(weak.couldKwh);
    const old = cost({ kind: "string", inSeries: 10, modules: 2, module: "old", lightFrac: 1 });
    expect(old.isKwh).toBeLessThan(old.couldKwh);
    expect(
      mistakeCost(site({}), array!, prepared, { kind: "string", inSeries: 10, modules: 1, module: "m", lightFrac: 0.5 }, 1),
    ).toBeNull();
  });
});
