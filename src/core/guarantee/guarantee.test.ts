import { describe, expect, it } from "vitest";
import { type GuaranteeColumns, type GuaranteeTerms, guaranteeYears } from ".";

const HOURS = 24;

/** Hours of years from 1 January 2024 on: light from 8 to 16 h, a reference of 100 kWh each, expected 80, metered a share of it. */
function columnsOf(days: number, meteredOf: (day: number) => number, expectedKwh = 80): GuaranteeColumns {
  const count = days * HOURS;
  const isLit = (i: number): boolean => i % HOURS >= 8 && i % HOURS < 16;
  const of = (value: (day: number) => number): Float64Array =>
    Float64Array.from({ length: count }, (_, i) => (isLit(i) ? value(Math.floor(i / HOURS)) : 0));
  return {
    axis: { startUtcMs: Date.UTC(2024, 0, 1), stepMinutes: 60, count },
    referenceKwh: of(() => 100),
    expectedKwh: of(() => expectedKwh),
    meteredKwh: of(meteredOf),
    heatFrac: new Float64Array(count).fill(0.1),
    nameplateKw: 100,
  };
}

const TERMS: GuaranteeTerms = {
  kind: "energy-index",
  from: "2024-01-01",
  years: 2,
  guaranteedFrac: 0.97,
  fallPerYearFrac: 0.01,
  deadBandFrac: 0,
  mostMissingFrac: 0.1,
  exclusions: [],
  lightErrorFrac: 0,
};
const TWO_YEARS = 366 + 365;

const settled = (columns: GuaranteeColumns, terms: Partial<GuaranteeTerms> = {}, held: { from: string; to: string }[] = []) =>
  guaranteeYears(columns, { ...TERMS, ...terms }, held, "UTC");

describe("guaranteeYears", () => {
  it.each([
    ["energy-index", 0.95],
    ["performance-ratio", 0.76],
    ["corrected-ratio", 0.76 / 0.9],
    ["availability", 1],
  ] as const)("%s is sum over sum", (kind, index) => {
    const [first] = settled(
      columnsOf(TWO_YEARS, () => 76),
      { kind },
    );
    expect(first!.allIn.index).toBeCloseTo(index, 12);
    expect(first!.without.index).toBeCloseTo(index, 12);
  });

  it("what is guaranteed falls from year to year, and what is short is told in energy", () => {
    const years = settled(columnsOf(TWO_YEARS, () => 76));
    expect(years.map(({ guaranteed }) => guaranteed)).toEqual([0.97, 0.97 * 0.99]);
    expect(years.map(({ outcome }) => outcome)).toEqual(["missed", "missed"]);
    // Two points of 366 days of eight hours of 80 kWh.
    expect(years[0]!.shortKwh).toBeCloseTo(0.02 * 366 * 8 * 80, 6);
  });

  it("a dead band is free, and counts from its edge", () => {
    const [first] = settled(
      columnsOf(366, () => 76),
      { deadBandFrac: 0.015, years: 1 },
    );
    expect(first!.shortFrac).toBeCloseTo(0.005, 12);
    expect(
      settled(
        columnsOf(366, () => 76),
        { deadBandFrac: 0.02 + 1e-12, years: 1 },
      )[0]!.outcome,
    ).toBe("kept");
  });

  it("what lies on both sides of the edge within the light's error is not told", () => {
    const outcome = (metered: number): string =>
      settled(
        columnsOf(366, () => metered),
        { lightErrorFrac: 0.01, years: 1 },
      )[0]!.outcome;
    // Half an interval is 1.96 % of the index.
    expect([outcome(73), outcome(76.5), outcome(78), outcome(80)]).toEqual(["missed", "open", "open", "kept"]);
    expect(
      settled(
        columnsOf(366, () => 80),
        { lightErrorFrac: 0.01, years: 1, kind: "availability" },
      )[0]!.without.half,
    ).toBe(0);
  });

  it("shows a year with everything in and without what the contract and the field book leave out", () => {
    // Ten days in June and five in August without output.
    const dayOfYear = (date: string): number => (Date.parse(date) - Date.parse("2024-01-01")) / 86_400_000;
    const isOut = (day: number): boolean =>
      (day >= dayOfYear("2024-06-01") && day <= dayOfYear("2024-06-10")) ||
      (day >= dayOfYear("2024-08-01") && day <= dayOfYear("2024-08-05"));
    const columns = columnsOf(366, (day) => (isOut(day) ? 0 : 79));
    const [first] = settled(columns, { years: 1, exclusions: [{ from: "2024-06-01", to: "2024-06-10", why: "network" }] }, [
      { from: "2024-08-01", to: "2024-08-05" },
    ]);
    expect(first!.allIn.index).toBeCloseTo((79 / 80) * (351 / 366), 12);
    expect(first!.without.index).toBeCloseTo(79 / 80, 12);
    expect(first!.leftOutKwh).toEqual([10 * 8 * 80, 5 * 8 * 80]);
    const [up] = settled(columns, { years: 1, kind: "availability" });
    expect(up!.allIn.index).toBeCloseTo(351 / 366, 12);
  });

  it("too much that was not read settles nothing, and time without light counts too", () => {
    const unread = (days: number): string =>
      settled(
        columnsOf(366, (day) => (day < days ? Number.NaN : 79)),
        { years: 1 },
      )[0]!.outcome;
    expect([unread(36), unread(37)]).toEqual(["kept", "too-little-read"]);
    const dark = columnsOf(366, () => 79);
    (dark.expectedKwh as Float64Array).fill(Number.NaN, 0, 37 * HOURS);
    expect(settled(dark, { years: 1 })[0]!.missingFrac).toBeCloseTo(37 / 366, 12);
  });

  it("days that the record does not have are missing, before it began and after its end", () => {
    const years = settled(
      columnsOf(TWO_YEARS, () => 79),
      { from: "2023-07-01", years: 5 },
    );
    expect(years.map(({ from, to }) => `${from} ${to}`)).toEqual([
      "2023-07-01 2024-06-30",
      "2024-07-01 2025-06-30",
      "2025-07-01 2026-06-30",
    ]);
    expect(years.map(({ outcome }) => outcome)).toEqual(["too-little-read", "kept", "too-little-read"]);
    expect(years.map(({ isOver }) => isOver)).toEqual([true, true, false]);
    expect(years[0]!.missingFrac).toBeCloseTo(184 / 366, 12);
    expect(
      settled(
        columnsOf(10, () => 79),
        { from: "2022-01-01", years: 2 },
      ).map(({ outcome }) => outcome),
    ).toEqual(["no-readings", "no-readings"]);
    expect(
      settled(
        columnsOf(10, () => 79),
        { from: "2025-01-01" },
      ),
    ).toEqual([]);
  });

  it("a contract of 29 February begins its other years on the 28th", () => {
    const years = settled(
      columnsOf(TWO_YEARS, () => 79),
      { from: "2024-02-29" },
    );
    expect(years.map(({ from, to }) => [from, to])).toEqual([
      ["2024-02-29", "2025-02-27"],
      ["2025-02-28", "2026-02-27"],
    ]);
  });
});
