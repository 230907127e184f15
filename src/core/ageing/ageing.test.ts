import { describe, expect, it } from "vitest";
import { seededUniform } from "../statistics";
import { firstStep, monthlyTrend, naiveYears, rateVerdict, readAgeing, yearOnYear } from ".";

const DAY_MS = 86_400_000;
const daysFrom = (first: string, count: number): string[] =>
  Array.from({ length: count }, (_, d) => new Date(Date.parse(first) + d * DAY_MS).toISOString().slice(0, 10));

/** A log index that falls by a rate, with a season and scatter. */
function fading(years: number, perYear: number, { season = 0.02, scatter = 0.02, seed = 1 } = {}): Float64Array {
  const uniform = seededUniform(seed);
  return Float64Array.from({ length: Math.round(years * 365.25) }, (_, d) => {
    const t = d / 365.2425;
    return Math.log(1 - perYear * t) + season * Math.cos(2 * Math.PI * t) + scatter * (uniform() + uniform() - 1);
  });
}

const terms = { draws: 300, seed: 4 };

describe("year on year", () => {
  it("reads the slope through a season three times as large", () => {
    const { slopeLog, low, high } = yearOnYear(fading(5, 0.007), terms);
    expect(Math.abs(slopeLog + 0.0071)).toBeLessThan(0.0012);
    expect(low).toBeLessThan(-0.0071);
    expect(high).toBeGreaterThan(-0.0071);
  });

  it("has an interval that holds the truth in most records", () => {
    const held = Array.from({ length: 30 }, (_, k) => yearOnYear(fading(4, 0.006, { seed: k + 1 }), { ...terms, seed: k })).filter(
      ({ low, high }) => low < -0.006 * 1.012 && high > -0.006 * 1.012,
    );
    expect(held.length).toBeGreaterThanOrEqual(26);
  });

  it("says nothing of under a year", () => {
    expect(yearOnYear(fading(0.9, 0.01), terms).slopeLog).toBeNaN();
  });

  it("bridges an anniversary that is missing by the days beside it", () => {
    const holed = fading(3, 0.01).map((value, d) => (d % 3 === 0 ? Number.NaN : value));
    expect(Math.abs(yearOnYear(holed, terms).slopeLog + 0.0101)).toBeLessThan(0.002);
  });
});

describe("the other methods", () => {
  it("the line through deseasoned months finds the slope", () => {
    const index = fading(5, 0.009);
    const { slopeLog, low, high, months } = monthlyTrend(daysFrom("2019-01-01", index.length), index);
    expect(Math.abs(slopeLog + 0.0092)).toBeLessThan(0.001);
    expect(low).toBeLessThan(slopeLog);
    expect(high).toBeGreaterThan(slopeLog);
    expect(months).toHaveLength(60);
  });

  it("yearly totals count whole years only, calendar or fiscal", () => {
    const months = daysFrom("2020-01-01", 366 + 365 + 365)
      .filter((day) => day.endsWith("-15"))
      .map((day) => ({ key: day.slice(0, 7), kwh: 100 - 0.5 * (Number(day.slice(0, 4)) - 2020), readFrac: 1 }));
    expect(naiveYears(months).years.map(({ key }) => key)).toEqual(["2020", "2021", "2022"]);
    expect(naiveYears(months).changePerYearFrac).toBeCloseTo(-0.005, 6);
    expect(naiveYears(months, 7).years.map(({ key }) => key)).toEqual(["FY2021", "FY2022"]);
    expect(naiveYears(months.slice(0, 20)).changePerYearFrac).toBeNaN();
  });

  it("a fall in the first weeks is told apart from the slope, and only where the record begins in time", () => {
    const settle = (t: number): number => 0.013 * (1 - Math.exp(-t / 0.05));
    const index = fading(3, 0.005, { season: 0, scatter: 0.006 }).map((log, d) => log + Math.log(1 - settle(d / 365.2425)));
    const found = firstStep(index, -0.005, 0)!;
    expect(found.frac).toBeGreaterThan(0.005);
    expect(found.frac).toBeLessThan(0.016);
    expect(firstStep(index, -0.005, 0.6)).toBeNull();
  });
});

describe("an ageing reading", () => {
  const input = (years: number, perYear: number) => {
    const cleanLog = fading(years, perYear, { season: 0.01 });
    return {
      days: daysFrom("2019-01-01", cleanLog.length),
      cleanLog,
      rawLog: cleanLog,
      causesOutLog: cleanLog,
      weight: new Float64Array(cleanLog.length).fill(1),
      dirtFrac: new Float64Array(cleanLog.length),
      months: [],
      ageAtStartYears: 1,
      light: { clearLog: null, stabilityPerYearFrac: 0, calibratedDays: [] },
      dirtOffsets: [],
      draws: 200,
      seed: 3,
    };
  };

  it("gives the loss as a share of the first output, and narrows with years", () => {
    const five = readAgeing(input(5, 0.008));
    expect(Math.abs(five.perYearFrac - 0.008)).toBeLessThan(0.0012);
    expect(five.high - five.low).toBeLessThan(readAgeing(input(2.6, 0.008)).high - readAgeing(input(2.6, 0.008)).low);
    expect(five.halfWidthLater[0]!).toBeLessThan((five.high - five.low) / 2);
  });

  it("says too soon under two years", () => {
    const early = readAgeing(input(1.5, 0.008));
    expect(early.isTooSoon).toBe(true);
    expect(rateVerdict(early, { firstYearFrac: 0.02, perYearFrac: 0.005 })).toBeNull();
  });

  it("sets the rate against the guaranteed one by its interval, and calls it faster from three years on", () => {
    const reading = { ...readAgeing(input(5, 0.006)), low: 0.004, high: 0.008 };
    const against = (perYearFrac: number, years = 5) => rateVerdict({ ...reading, years }, { firstYearFrac: 0.02, perYearFrac });
    expect([against(0.008), against(0.0039), against(0.006)]).toEqual(["slower", "faster", "undecided"]);
    expect([against(0.003, 2.99), against(0.003, 3)]).toEqual(["undecided", "faster"]);
    expect(rateVerdict(reading, null)).toBeNull();
    const rising = (high: number) => rateVerdict({ ...reading, low: -0.02, high }, { firstYearFrac: 0.02, perYearFrac: 0.005 });
    expect([rising(-0.0001), rising(0.0001)]).toEqual(["unphysical", "slower"]);
  });
});
