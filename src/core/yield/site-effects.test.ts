import { execFile } from "node:child_process";
import path from "node:path";
import { promisify } from "node:util";
import { projectRoot } from "@test/paths";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { planTilts } from "../tilt";
import { clearSkyWeather, hoursOfYear } from "../weather";
import { monthSums, prepareWeather, revisionEffects, shadeReport, sumOf, withoutShader } from ".";

const wooded = site({
  horizon: [
    { azimuthDeg: 90, elevationDeg: 12 },
    { azimuthDeg: 130, elevationDeg: 0 },
    { azimuthDeg: 60, elevationDeg: 0 },
  ],
  obstacles: [{ id: "tree", kind: "tree", heightM: 9, widthM: 6, eastM: -3, northM: -12 }],
  arrays: [
    {
      id: "a",
      module: "m",
      count: 20,
      tiltDeg: 30,
      azimuthDeg: 180,
      eastM: 0,
      northM: 0,
      obstacles: [{ kind: "pole", azimuthDeg: 220, distanceM: 6, heightM: 7, widthM: 0.3 }],
    },
  ],
});
const prepared = prepareWeather(wooded.place, clearSkyWeather(hoursOfYear(2025, 1), wooded.place));

describe("what each obstacle costs", () => {
  const report = shadeReport(wooded, prepared);
  const cost = (id: string): number => sumOf(report.costs.find((each) => each.id === id)!.monthsKwh);

  it("names the plan's obstacles, each array's own, and the horizon", () => {
    expect(report.costs.map(({ id }) => id)).toEqual(["tree", "a#0", "horizon"]);
    for (const { id } of report.costs) expect(cost(id)).toBeGreaterThan(0);
  });

  it("is the year without it less the year with it", () => {
    const without = sumOf(monthSums(withoutShader(wooded, "a#0"), prepared).expectedKwh);
    expect(cost("a#0")).toBeCloseTo(without - sumOf(report.expectedKwh), 6);
    expect(withoutShader(wooded, "a#0").arrays[0]!.obstacles).toEqual([]);
    expect(withoutShader(wooded, "horizon").horizon).toEqual([]);
  });

  it("a tree in the south takes most of its energy in the dark months", () => {
    const months = report.costs[0]!.monthsKwh;
    expect(months[10]! + months[11]! + months[0]!).toBeGreaterThan(0.4 * cost("tree"));
  });

  it("all together take no more than the sum of each alone, and rules keep their order", () => {
    const lost = sumOf(report.openKwh) - sumOf(report.expectedKwh);
    expect(lost).toBeGreaterThan(Math.max(...report.costs.map(({ id }) => cost(id))));
    const [module, diodes, worst] = report.byRule.map((rule) => rule.lostKwh) as [number, number, number];
    expect(module).toBeLessThan(diodes);
    expect(diodes).toBeLessThan(worst);
    expect(diodes).toBeCloseTo(lost, 6);
  });
});

describe("what a revision is worth", () => {
  const changed = site({
    revisions: [
      { from: "2023-05-01", note: "bigger inverter", change: { inverters: [{ id: "i", acRatedW: 9000 }] } },
      { from: "2021-05-01", note: "turned", change: { arrays: [{ id: "a", azimuthDeg: 90 }] } },
    ],
  });
  const effects = revisionEffects(changed, prepared);

  it("stands in the order of the document, each on top of those dated before it", () => {
    const [inverter, turned] = effects as [(typeof effects)[0], (typeof effects)[0]];
    expect(turned.afterKwh).toBeLessThan(0.85 * turned.beforeKwh);
    expect(inverter.beforeKwh).toBeCloseTo(turned.afterKwh, 6);
    expect(inverter.afterKwh).toBeGreaterThanOrEqual(inverter.beforeKwh - 1);
  });
});

describe("the planner's report", () => {
  it("sets eleven plans and the rack as it is side by side, and none beats the simulation of its own positions", async () => {
    const report = (await planTilts(wooded, prepared, { arrayId: "a", goal: "energy", priceByMonth: null }))!;
    expect(report.plans).toHaveLength(12);
    const asIs = report.plans[0]!;
    expect(asIs.yearKwh).toBeCloseTo(sumOf(monthSums(wooded, prepared).expectedKwh), 3);
    for (const plan of report.plans.slice(1)) {
      const best = report.plans.find((each) => each.method === "simulated" && each.positions === plan.positions)!;
      expect(best.yearKwh).toBeGreaterThanOrEqual(plan.yearKwh - 0.01);
      expect(sumOf(plan.monthsKwh)).toBeCloseTo(plan.yearKwh, 6);
      expect(plan.lateKwh).toHaveLength(plan.method === "simulated" && plan.positions > 1 ? plan.positions : 0);
    }
  });

  it("ends where it is told to", async () => {
    expect(await planTilts(wooded, prepared, { arrayId: "a", goal: "energy", priceByMonth: null }, (done) => done < 0.85)).toBeNull();
  });
});

describe("benches on the command line", () => {
  const root = projectRoot;
  const file = path.join(root, "test/fixtures/plants/southern-ranch/southern-ranch.site.json");
  const bench = async (...args: string[]) => {
    const { stdout } = await promisify(execFile)(
      path.join(root, "node_modules/.bin/tsx"),
      ["src/cli/main.ts", "bench", ...args, "--json"],
      {
        cwd: root,
        maxBuffer: 16e6,
      },
    );
    return JSON.parse(stdout) as Record<string, unknown>;
  };

  it("rows and compass answer as the screens do", async () => {
    const rows = (await bench("rows", "--site", file)) as { gapM: number; pitchM: number };
    expect(rows.pitchM).toBeGreaterThan(rows.gapM);
    const compass = (await bench("compass", "--site", file, "--reading", "349", "--date", "2026-05-10")) as {
      trueDeg: number;
      declinationDeg: number;
    };
    expect(compass.trueDeg).toBeCloseTo((349 + compass.declinationDeg) % 360, 9);
  });

  it("an unknown bench is refused with the names of those there are", async () => {
    await expect(bench("oven", "--site", file)).rejects.toThrow(/choose one of tilt, shade, rows, compass/);
  });
});
