import { at, axis, DAYS, evidence, expectedKwh, frame, plant, sum, zeros } from "@test/evidence-builder";
import { describe, expect, it } from "vitest";
import { MODEL_ACCOUNTS } from "@/core/accounts";
import type { Evidence } from "@/core/attribution";
import type { LedgerLine } from "@/core/ledger";
import { snowReport, soilingReport } from "./dirt-and-snow";
import { indicatorsOf } from "./indicators";

const RATE = 0.001;

/** A record on which dirt grows day by day, rain of 20 mm washes every fortieth day, and somebody cleans on others. */
function dirty(cleanings: readonly { readonly day: number; readonly cause: "cleaning" | "suspected" }[] = []): Evidence {
  const rainMm = zeros();
  for (let day = 40; day < DAYS; day += 40) rainMm[at(day, 3)] = 20;
  const lostFracByDay = new Float64Array(DAYS);
  const resets: Evidence["soiling"]["resets"][number][] = [];
  let dirt = 0;
  for (let day = 0; day < DAYS; day++) {
    const cleaning = cleanings.find((own) => own.day === day);
    const isWashed = day > 0 && (day - 1) % 40 === 0 && day > 1;
    const before = dirt;
    dirt = cleaning ? 0 : isWashed ? RATE : dirt + RATE;
    if (cleaning) resets.push({ day, cause: cleaning.cause, beforeFrac: before, effectFrac: before });
    else if (isWashed) resets.push({ day, cause: "rain", beforeFrac: before, effectFrac: before - dirt });
    lostFracByDay[day] = dirt;
  }
  const plain = evidence();
  return evidence({
    frame: { ...frame, weather: { ...frame.weather, rainMm } },
    soiling: {
      ...plain.soiling,
      lostFracByDay,
      resets,
      ratePerDay: RATE,
      isSeen: true,
      retainedBy: (mm) => (mm >= 10 ? 0 : 1),
      washing: { thresholdMm: 5, scaleMm: 5 },
    },
    expectedKwh: expectedKwh.map((kwh, i) => kwh * (1 - lostFracByDay[frame.days.binOf[i]!]!)),
  });
}

describe("what the readings say of dirt", () => {
  it("gives each cleaning the energy that its dirt would have cost until the next rain", () => {
    const { cleanings } = soilingReport(dirty([{ day: 70, cause: "cleaning" }]));
    expect(cleanings).toHaveLength(1);
    const dirt = dirty().soiling.lostFracByDay[69]!;
    // Washed by the rain of day 80, from the day after.
    expect(cleanings[0]!.gainKwh).toBeCloseTo(dirt * sum(expectedKwh, at(70), at(81)), 0);
    expect(cleanings[0]!.date).toBe(frame.days.keys[70]);
  });

  it("gives a second cleaning soon after the first only what grew between them", () => {
    const both = dirty([
      { day: 70, cause: "cleaning" },
      { day: 74, cause: "suspected" },
    ]);
    const { cleanings } = soilingReport(both);
    const [first, second] = [cleanings[0]!, cleanings[1]!];
    expect(second.cause).toBe("suspected");
    expect(second.gainKwh).toBeLessThan(0.25 * soilingReport(dirty([{ day: 70, cause: "cleaning" }])).cleanings[0]!.gainKwh);
    expect(first.gainKwh).toBeGreaterThan(second.gainKwh);
  });

  it("reckons what a cleaning would bring by week, more in dirty bright weeks than after rain", () => {
    const report = soilingReport(dirty());
    expect(report.gainByWeekKwh).toHaveLength(53);
    expect(report.gainByWeekKwh.every((kwh) => kwh >= 0)).toBe(true);
    expect(Math.max(...report.gainByWeekKwh)).toBeGreaterThan(3 * Math.min(...report.gainByWeekKwh.filter((kwh) => kwh > 0)));
    expect(report.nowFrac).toBeCloseTo(dirty().soiling.lostFracByDay.at(-1)!, 4);
  });

  it("says how many days it is to a rain that washes, and nothing where rain is not known", () => {
    // Any day of a stretch of forty is as likely: half of it, less the day of the rain itself.
    expect(soilingReport(dirty()).daysToRain).toBeGreaterThanOrEqual(18);
    expect(soilingReport(dirty()).daysToRain).toBeLessThanOrEqual(21);
    expect(soilingReport(evidence()).daysToRain).toBeNull();
  });

  it("counts nothing above the ceiling: a cleaning brings little to a plant that is held all day", () => {
    const open = soilingReport(dirty([{ day: 70, cause: "cleaning" }])).cleanings[0]!.gainKwh;
    const held = { ...dirty([{ day: 70, cause: "cleaning" }]), ceilingKwh: 0.3 * Math.max(...expectedKwh) };
    expect(soilingReport(held).cleanings[0]!.gainKwh).toBeLessThan(0.4 * open);
  });
});

describe("what the readings say of snow", () => {
  const spells = [180, 195, 560].map((day) => ({ from: at(day, 6), to: at(day + 3, 12) }));
  const lostFrac = zeros();
  for (const { from, to } of spells) lostFrac.fill(0.5, from, to);
  const snowy = evidence({ snow: { lostFrac, covered: new Uint8Array(axis.count), spells } });

  it("counts by winter, across the turn of the year", () => {
    const { winters } = snowReport(snowy);
    // The record begins on 1 July 2021.
    expect(winters.map(({ key }) => key)).toEqual(["2021/22", "2022/23"]);
    expect(winters.map(({ spells: count }) => count)).toEqual([2, 1]);
    expect(winters[0]!.days).toBe(8);
    const lost = spells.slice(0, 2).reduce((all, { from, to }) => all + 0.5 * sum(expectedKwh, from, to), 0);
    expect(winters[0]!.lostKwh).toBeCloseTo(lost, 1);
  });

  it("counts by calendar year in the south", () => {
    const southern = { ...frame, site: { ...plant, place: { ...plant.place, latitudeDeg: -42 } } };
    // Days 180 and 195 of the record stand on both sides of New Year.
    expect(snowReport({ ...snowy, frame: southern }).winters.map(({ key, spells: count }) => [key, count])).toEqual([
      ["2021", 1],
      ["2022", 1],
      ["2023", 1],
    ]);
  });

  it("reckons clearing from the morning after the fall on", () => {
    const { spells: told } = snowReport(snowy);
    const { from, to } = spells[0]!;
    expect(told[0]!.lostKwh).toBeCloseTo(0.5 * sum(expectedKwh, from, to), 1);
    expect(told[0]!.clearingKwh).toBeCloseTo(0.5 * sum(expectedKwh, at(181), to), 1);
    expect(told[0]!.clearingKwh).toBeLessThan(told[0]!.lostKwh);
  });

  it("gives each day its share, rounded to thousandths, and none to bare days", () => {
    const { lostFracByDay } = snowReport(snowy);
    expect(lostFracByDay).toHaveLength(DAYS);
    expect(lostFracByDay[181]).toBeCloseTo(0.5, 3);
    expect(lostFracByDay[100]).toBe(0);
  });
});

describe("indicators", () => {
  const accounts = (parts: Partial<LedgerLine["accountsKwh"]>): LedgerLine["accountsKwh"] =>
    ({ ...Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, 0])), ...parts }) as LedgerLine["accountsKwh"];
  const line = (parts: Partial<LedgerLine> = {}): LedgerLine =>
    ({
      key: "2021-08",
      planeKwhM2: 150,
      referenceKwh: 1200,
      accountsKwh: accounts({ temperature: 60, downtime: 100 }),
      expectedKwh: 1000,
      meteredKwh: 900,
      readFrac: 1,
      dataGapKwh: 0,
      referenceGapKwh: 0,
      unmatchedKwh: 0,
      usualKwh: 0,
      usualReadKwh: 0,
      unexplainedKwh: 0,
      ...parts,
    }) as LedgerLine;

  it("follow their definitions: yield by kilowatt, availability by time and by energy", () => {
    const up = new Map([
      ["2021-08", { up: 380, lit: 400 }],
      ["2021-09", { up: 100, lit: 100 }],
    ]);
    const [own] = indicatorsOf([line()], [line()], up, plant);
    expect(own!.specificYieldKwhPerKwp).toBeCloseTo(900 / 8, 9);
    expect(own!.availabilityByTimeFrac).toBeCloseTo(0.95, 9);
    expect(own!.availabilityByEnergyFrac).toBeCloseTo(0.9, 9);
    // Cells at 25 degrees would have kept the twentieth that heat took.
    expect(own!.temperatureCorrectedRatio! / own!.performanceRatio!).toBeCloseTo(1 / (1 - 60 / 1200), 9);
    const [all] = indicatorsOf([line({ key: "all" })], [], up, plant);
    expect(all!.availabilityByTimeFrac).toBeCloseTo(480 / 500, 9);
    // Of all years together heat is usual by definition.
    expect(all!.usualHeatRatio).toBeCloseTo(all!.performanceRatio!, 12);
  });

  it("of all years a yield is that of a year, by what stood at the time", () => {
    const grown = {
      ...plant,
      revisions: [{ from: "2021-01-01", note: "", change: { arrays: [{ id: plant.arrays[0]!.id, count: 2 * plant.arrays[0]!.count }] } }],
    };
    const months = (year: number, count = 12) =>
      Array.from({ length: count }, (_, m) =>
        line({ key: `${year}-${String(m + 1).padStart(2, "0")}`, meteredKwh: year < 2021 ? 600 : 1200 }),
      );
    const year = (key: string, meteredKwh: number) => line({ key, meteredKwh });
    const lines = [
      ...months(2020),
      ...months(2021),
      ...months(2022, 3),
      year("2020", 7200),
      year("2021", 14_400),
      year("2022", 3600),
      year("all", 25_200),
    ];
    const yields = new Map(indicatorsOf(lines, [], new Map(), grown).map((row) => [row.key, row.specificYieldKwhPerKwp]));
    expect(yields.get("2020")).toBeCloseTo(7200 / 8, 9);
    expect(yields.get("2021")).toBeCloseTo(14_400 / 16, 9);
    expect(yields.get("2022")).toBeCloseTo(3600 / 16, 9);
    expect(yields.get("all")).toBeCloseTo(900, 9);
    const holed = lines.map((row) => (row.key === "2021" ? { ...row, readFrac: 0.949 } : row));
    expect(indicatorsOf(holed, [], new Map(), { ...grown }).at(-1)!.specificYieldKwhPerKwp).toBeCloseTo(yields.get("2020")!, 9);
  });

  it("are not told where nothing was read or no light came", () => {
    const [own] = indicatorsOf([line({ meteredKwh: null })], [], new Map(), plant);
    expect(own).toMatchObject({ specificYieldKwhPerKwp: null, availabilityByTimeFrac: null, availabilityByEnergyFrac: null });
  });
});
