import { type ModulesTruth, moduleName, recordModules, simulateWeather, simulateWithTruth } from "@simulators";
import { beforeAll, describe, expect, it } from "vitest";
import { siteSchema } from "@/contracts/site";
import { schoolBook } from "../../../simulators/demo-school";
import { partOfSite, type Site } from "../site";
import { dayOfModules, hourlyReadings, type ModuleReadings, moduleDetail, type NeighbourReport, neighbourReport } from ".";

const FROM = "2024-12-31T23:00:00Z";
const TO = "2025-12-31T23:00:00Z";
const site: Site = partOfSite(siteSchema.parse(schoolBook.site), ["classes"]);
const axis = { startUtcMs: Date.parse(FROM), stepMinutes: 60, count: 8760 };
const weather = simulateWeather(schoolBook.climate, site.place, axis, 0.297);
const { energyKwh: arrayKwh } = simulateWithTruth(site, { ...schoolBook.truth, outages: [], lost: [] }, weather);

/** Modules of the classroom roof, and what each lost. */
function recorded(truth: Partial<ModulesTruth>, seed: number): { readings: ModuleReadings; lostOf: (id: string) => number } {
  const bare: ModulesTruth = { array: "classes", from: FROM, to: TO, toleranceFrac: 0.008, noiseFrac: 0.01 };
  const modules = recordModules(site, { ...bare, ...truth }, { axis, arrayKwh, rainMm: weather.rainMm }, seed);
  return {
    readings: hourlyReadings(modules.map(({ id, kwh }) => ({ id, axis, kwh }))),
    lostOf: (id) => modules.find((module) => module.id === id)!.lostKwh,
  };
}

const reportOf = (truth: Partial<ModulesTruth>, seed = 0.41): NeighbourReport => neighbourReport(site, recorded(truth, seed).readings);
const causes = ({ odd }: NeighbourReport): Record<string, string> => Object.fromEntries(odd.map(({ id, cause }) => [id, cause]));

/** In the south-west of the roof: its shadow comes in the afternoon, over the western columns first. */
const tree = { eastM: -10, northM: -6, heightM: 8, widthM: 4 };
const many: Partial<ModulesTruth> = {
  tree,
  weak: [
    { at: [0, 12], levelFrac: 0.93, from: "2025-05-20T00:00:00Z" },
    { at: [1, 14], levelFrac: 0.667 },
  ],
  silent: [{ at: [0, 9], from: "2025-06-03T00:00:00Z", to: "2025-07-11T00:00:00Z" }],
  edge: { columns: [8, 12], perDayFrac: 0.005, mostFrac: 0.1 },
};

describe("modules that are sound", () => {
  it("are named in about one array of twenty, by chance", () => {
    const named = Array.from({ length: 20 }, (_, k) => reportOf({}, 0.03 + k * 0.041)).filter(({ odd }) => odd.length > 0);
    expect(named.length).toBeLessThanOrEqual(2);
  });

  it("lie around what the sound ones give, as equal as they were made", () => {
    const { modules, spreads } = reportOf({});
    expect(spreads[0]!.spreadFrac).toBeGreaterThan(0.004);
    expect(spreads[0]!.spreadFrac).toBeLessThan(0.014);
    expect(modules.map(({ wholeShare }) => wholeShare).sort()[16]).toBeCloseTo(1, 2);
    expect(modules.every(({ monthShares }) => monthShares.every((share) => Math.abs(share - 1) < 0.05))).toBe(true);
  });
});

describe("modules that are not", () => {
  const seeds = [0.12, 0.31, 0.66];
  let told: { readonly seed: number; readonly report: NeighbourReport; readonly lostOf: (id: string) => number }[] = [];
  beforeAll(() => {
    told = seeds.map((seed) => {
      const { readings, lostOf } = recorded(many, seed);
      return { seed, report: neighbourReport(site, readings), lostOf };
    });
  });

  it("are named with their cause, whatever else the roof has", () => {
    for (const { report } of told) {
      expect(causes(report)).toMatchObject({
        B15: "bypassed-part",
        A10: "silent",
        A13: "weak",
        B1: "shaded",
        A1: "shaded",
        B12: "edge-dirt",
        B13: "edge-dirt",
      });
      expect(causes(report)).not.toHaveProperty("A16");
    }
  });

  it("with the time of it: since a week, in hours of the afternoon, for so many hours", () => {
    for (const { report } of told) {
      const of = (id: string) => report.odd.find((odd) => odd.id === id)!;
      expect(Math.abs(of("A13").sinceUtcMs! - Date.parse("2025-05-20T00:00:00Z"))).toBeLessThan(7 * 86_400_000);
      expect(of("B1").darkAt!.fromHour).toBeGreaterThanOrEqual(11);
      expect(of("B1").darkAt!.toHour).toBeLessThanOrEqual(17);
      expect(of("A10").silentHours).toBeGreaterThan(300);
      expect(of("B15").sinceUtcMs).toBeNull();
    }
  });

  it("with kilowatt-hours whose intervals hold what was lost", () => {
    const all = told.flatMap(({ report, lostOf }) =>
      report.odd.map(({ id, lost }) => ({ id, lost, off: Math.abs(lost.kwh - lostOf(id)) })),
    );
    const within = all.filter(({ lost, off }) => off <= lost.halfKwh).length / all.length;
    expect(all.length).toBeGreaterThan(40);
    expect(within).toBeGreaterThan(0.88);
    expect(Math.max(...all.map(({ lost, off }) => off / lost.kwh))).toBeLessThan(0.15);
  });

  it("none that lost more than sound ones differ by is passed over", () => {
    for (const { report, lostOf } of told) {
      const passed = report.modules.filter(({ id }) => !report.odd.some((odd) => odd.id === id)).map(({ id }) => lostOf(id));
      expect(Math.max(...passed)).toBeLessThan(0.03 * (report.modules[0]!.kwh + 20));
    }
  });

  it("are painted by hour: the shaded one is dark in the afternoon alone", () => {
    const { hourShares } = told[0]!.report.modules.find(({ id }) => id === "B1")!;
    expect(hourShares[9]).toBeGreaterThan(0.97);
    expect(hourShares[13]).toBeLessThan(0.8);
    expect(hourShares[2]).toBeNaN();
  });
});

describe("names that the recorder mixed up", () => {
  it("are found where shade tells places apart, and not where none does", () => {
    const swapped = [
      [
        [0, 2],
        [0, 14],
      ],
    ] as const;
    const report = reportOf({ tree, swapped });
    expect(report.swapped).toEqual([["A3", "A15"]]);
    expect(causes(report)).toMatchObject({ A3: "swapped", A15: "swapped" });
    expect(report.odd.find(({ id }) => id === "A3")!.swappedWith).toBe("A15");
    expect(reportOf({ swapped }).swapped).toEqual([]);
    expect(reportOf({ tree }).swapped).toEqual([]);
  });

  it("fit again where the plan is set right", () => {
    const { readings } = recorded(
      {
        tree,
        swapped: [
          [
            [0, 2],
            [0, 14],
          ],
        ],
      },
      0.41,
    );
    const row = (letter: string): string[] => Array.from({ length: 16 }, (_, k) => `${letter}${k + 1}`);
    const right = row("A").with(2, "A15").with(14, "A3");
    const mended = { ...site, arrays: site.arrays.map((array) => ({ ...array, moduleIds: [right, row("B")] })) };
    expect(neighbourReport(mended, readings).swapped).toEqual([]);
  });
});

describe("what is not known", () => {
  it("is no loss: a module that was not read is counted in hours", () => {
    const report = reportOf({ unread: [{ at: [0, 4], from: "2025-06-03T00:00:00Z", to: "2025-06-13T00:00:00Z" }] });
    expect(causes(report)).not.toHaveProperty("A5");
    const { unreadHours, wholeShare } = report.modules.find(({ id }) => id === "A5")!;
    expect(unreadHours).toBeGreaterThan(100);
    expect(wholeShare).toBeCloseTo(1, 1);
  });

  it("three modules have no neighbours, four have; an id beyond the plan has no place", () => {
    const { readings } = recorded({}, 0.41);
    const some = (count: number): ModuleReadings => ({ ...readings, ids: readings.ids.slice(0, count), kwh: readings.kwh.slice(0, count) });
    expect(neighbourReport(site, some(3)).tooFew).toEqual(["classes"]);
    expect(neighbourReport(site, some(3)).modules).toEqual([]);
    expect(neighbourReport(site, some(4)).modules).toHaveLength(4);
    const more = { ...readings, ids: [...readings.ids, "Z99"], kwh: [...readings.kwh, readings.kwh[0]!] };
    expect(neighbourReport(site, more).unplaced).toEqual(["Z99"]);
  });
});

describe("a record of less than a year", () => {
  it("tells what was lost in it, and nothing of the other seasons", () => {
    const part = { from: "2025-06-01T00:00:00Z", to: "2025-07-11T00:00:00Z", weak: [{ at: [0, 3], levelFrac: 0.8 }] } as const;
    const short = reportOf(part);
    expect(short.isPerYear).toBe(false);
    expect(short.odd[0]!.told).toEqual(short.odd[0]!.lost);
    const whole = reportOf({ weak: part.weak });
    expect(whole.isPerYear).toBe(true);
    expect(whole.odd[0]!.told.kwh / whole.odd[0]!.lost.kwh).toBeCloseTo(365.25 / 365, 3);
  });

  it("of modules that lie all over tells nothing, and says which array", () => {
    const { readings } = recorded({}, 0.41);
    const apart = {
      ...readings,
      ids: readings.ids.slice(0, 5),
      kwh: [0.2, 0.4, 0.6, 0.8, 1].map((frac, k) => readings.kwh[k]!.map((kwh) => frac * kwh)),
    };
    expect(neighbourReport(site, apart)).toMatchObject({ tooFew: ["classes"], modules: [], odd: [] });
  });
});

describe("one module and one day", () => {
  it("show where the shade lies, and when it was silent", () => {
    const { readings } = recorded(many, 0.12);
    const { cellShares, days, dayShares } = moduleDetail(site, readings, "A10")!;
    expect(dayShares[days.indexOf("2025-06-20")]).toBe(0);
    expect(dayShares[days.indexOf("2025-05-20")]).toBeGreaterThan(0.9);
    expect(cellShares).toHaveLength(288);
    const day = dayOfModules(site, readings, "2025-06-20")!;
    expect(day.hours).toHaveLength(24);
    expect(day.modules.find(({ id }) => id === "A10")!.wholeShare).toBe(0);
    expect(day.modules.find(({ id }) => id === "A2")!.shares[12]).toBeGreaterThan(0.9);
    expect([moduleDetail(site, readings, "Q1"), dayOfModules(site, readings, "1999-01-01")]).toEqual([null, null]);
  });
});

describe("readings of an hour", () => {
  it("are the sum of its quarters, and missing with one of them", () => {
    const kwh = [1, 2, 3, 4, 5, Number.NaN, 7, 8, 9, 9, 9, 9, 5];
    const { axis: hours, kwh: columns } = hourlyReadings([{ id: "A1", axis: { startUtcMs: 0, stepMinutes: 15, count: 13 }, kwh }]);
    expect(hours).toEqual({ startUtcMs: 0, stepMinutes: 60, count: 3 });
    expect([...columns[0]!]).toEqual([10, Number.NaN, 36]);
    expect(() => hourlyReadings([{ id: "A1", axis: { startUtcMs: 0, stepMinutes: 45, count: 13 }, kwh }])).toThrow(RangeError);
  });

  it("of two files follow on each other on one axis", () => {
    const hour = (id: string, startHour: number, ...kwh: number[]) => ({
      id,
      axis: { startUtcMs: startHour * 3_600_000, stepMinutes: 60, count: kwh.length },
      kwh,
    });
    const { ids, kwh } = hourlyReadings([hour("A1", 0, 1, 2), hour("A2", 1, 5), hour("A1", 1, 3, 4)]);
    expect(ids).toEqual(["A1", "A2"]);
    expect(kwh.map((column) => [...column])).toEqual([
      [1, 3, 4],
      [Number.NaN, 5, Number.NaN],
    ]);
  });

  it("name modules as installers do", () => {
    expect([moduleName([0, 0]), moduleName([1, 15])]).toEqual(["A1", "B16"]);
  });
});
