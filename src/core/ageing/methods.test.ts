import { describe, expect, it } from "vitest";
import { firstStep, monthlyTrend, naiveYears, readAgeing, yearOnYear } from ".";

const DAY_MS = 86_400_000;
const daysFrom = (first: string, count: number): string[] =>
  Array.from({ length: count }, (_, d) => new Date(Date.parse(first) + d * DAY_MS).toISOString().slice(0, 10));
/** A log index that falls by exactly this a year. */
const straight = (count: number, perYear: number): Float64Array =>
  Float64Array.from({ length: count }, (_, d) => (-perYear * d) / 365.2425);

describe("the first step", () => {
  const at = 40;
  /** Down by 2 % after the first weeks, apart from a slope of 1 % a year. */
  const stepped = (count = 800): Float64Array => straight(count, 0.01).map((log, d) => log + (d / 365.2425 < 0.06 ? 0 : Math.log(0.98)));

  it("is what lies between the first days and the line drawn back to them", () => {
    const found = firstStep(stepped(), -0.01, 0)!;
    expect(found.frac).toBeCloseTo(0.02, 12);
    expect(found.low).toBeCloseTo(0.02, 9);
    expect(found.high).toBeCloseTo(0.02, 9);
  });

  it("its interval is the scatter of both levels, the later by a tenth of its days", () => {
    const scatter = (d: number): number => (d % 2 === 0 ? 0.004 : -0.004);
    const found = firstStep(
      stepped().map((log, d) => log + scatter(d)),
      -0.01,
      0,
    )!;
    // 22 days before 0.06 years, 548 between half a year and two; a scatter of ±0.004 has this median absolute deviation.
    const early = 22;
    const later = 548;
    const half = 1.96 * 1.4826 * 1.2533 * Math.hypot(0.004 / Math.sqrt(early), 0.004 / Math.sqrt(later / 10));
    expect((found.high - found.low) / 2).toBeCloseTo(half, 4);
    expect((found.high + found.low) / 2).toBeCloseTo(found.frac, 12);
  });

  it("needs a record that begins with the plant, six days of it, and sixty later", () => {
    expect(firstStep(stepped(), -0.01, 0.06)).toBeNull();
    expect(firstStep(stepped(), -0.01, 0.061)).toBeNull();
    expect(firstStep(stepped(), -0.01, -0.061)).toBeNull();
    expect(firstStep(stepped(), -0.01, -0.06)).not.toBeNull();
    const early = (days: number) => stepped().map((log, d) => (d >= days && d < at ? Number.NaN : log));
    expect(firstStep(early(5), -0.01, 0)).toBeNull();
    expect(firstStep(early(6), -0.01, 0)).not.toBeNull();
    const half = Math.ceil(0.5 * 365.2425);
    expect(firstStep(stepped(half + 59), -0.01, 0)).toBeNull();
    expect(firstStep(stepped(half + 60), -0.01, 0)).not.toBeNull();
  });

  it("does not ask the third year", () => {
    const later = stepped(1500).map((log, d) => (d > 2 * 365.2425 ? log - 1 : log));
    expect(firstStep(later, -0.01, 0)!.frac).toBeCloseTo(0.02, 12);
  });
});

describe("the line through deseasoned months", () => {
  const SEASON = [0.03, 0.02, 0.01, 0, -0.01, -0.02, -0.03, -0.02, -0.01, 0, 0.01, 0.02];
  const days = daysFrom("2019-01-01", 365 * 4 + 1);
  const month = (day: string): number => Number(day.slice(5, 7)) - 1;
  /** A step a month, so that a month's median is its value. */
  const index = Float64Array.from(days, (day) => -0.001 * (12 * (Number(day.slice(0, 4)) - 2019) + month(day)) + SEASON[month(day)]!);

  it("takes a season out to the last digit and finds the slope", () => {
    const { slopeLog, low, high, months } = monthlyTrend(days, index);
    expect(months).toHaveLength(48);
    expect(months[0]!.log).toBeCloseTo(0.03, 12);
    for (const { deseasonedLog, log, key } of months) expect(log - deseasonedLog).toBeCloseTo(SEASON[Number(key.slice(5)) - 1]!, 9);
    expect(slopeLog).toBeCloseTo(-0.012, 9);
    expect(high - low).toBeCloseTo(0, 6);
  });

  it("needs four days of a month and two years of months", () => {
    const few = index.map((value, d) => (days[d]!.startsWith("2019-03") && Number(days[d]!.slice(8)) > 3 ? Number.NaN : value));
    expect(monthlyTrend(days, few).months[2]!.log).toBeNaN();
    const four = index.map((value, d) => (days[d]!.startsWith("2019-03") && Number(days[d]!.slice(8)) > 4 ? Number.NaN : value));
    expect(monthlyTrend(days, four).months[2]!.log).toBeCloseTo(index[60]!, 12);
    const until = (end: string) => days.indexOf(end);
    expect(monthlyTrend(days.slice(0, until("2020-12-01")), index).slopeLog).toBeNaN();
    expect(monthlyTrend(days.slice(0, until("2021-01-01")), index).slopeLog).toBeCloseTo(-0.012, 9);
  });

  it("its interval is that of a line, wider where months hang together", () => {
    const of = (noise: (k: number) => number) => {
      const noisy = Float64Array.from(days, (day, d) => index[d]! + noise(12 * (Number(day.slice(0, 4)) - 2019) + month(day)));
      return monthlyTrend(days, noisy);
    };
    const [apart, together] = [of((k) => (k % 2 === 0 ? 0.01 : -0.01)), of((k) => (Math.floor(k / 5) % 2 === 0 ? 0.01 : -0.01))];
    expect(together.high - together.low).toBeGreaterThan(1.6 * (apart.high - apart.low));
    expect(apart.high - apart.slopeLog).toBeCloseTo(apart.slopeLog - apart.low, 12);
  });
});

describe("pairs a year apart", () => {
  it("change by their distance in days, and the nearest day within three stands in for a missing one", () => {
    const index = straight(900, 0.01);
    const { pairs, slopeLog } = yearOnYear(index, { draws: 0, seed: 1 });
    // The last pairs lean on a day up to three before the anniversary.
    expect(pairs).toHaveLength(900 - 362);
    for (const { changeLog } of pairs) expect(changeLog).toBeCloseTo(-0.01, 9);
    expect(slopeLog).toBeCloseTo(-0.01, 9);
    const gap = (days: number) => {
      const holed = straight(500, 0.01).fill(Number.NaN, 365, 365 + days);
      return yearOnYear(holed, { draws: 0, seed: 1 }).pairs.some(({ day }) => day === 0);
    };
    expect([gap(3), gap(4)]).toEqual([true, true]);
    const alone = (off: number) => {
      const lonely = new Float64Array(500).fill(Number.NaN);
      lonely[100] = 0;
      lonely[465 + off] = -0.01;
      return yearOnYear(lonely, { draws: 0, seed: 1 }).pairs;
    };
    expect([-4, -3, 0, 3, 4].map((off) => alone(off).length)).toEqual([0, 1, 1, 1, 0]);
    expect(alone(3)[0]!.changeLog).toBeCloseTo((-0.01 * 365.2425) / 368, 12);
  });

  it("its samples are of whole stretches, sorted, and hold the middle", () => {
    const wavy = straight(1500, 0.01).map((log, d) => log + 0.01 * Math.sin(d / 9));
    const { draws, low, high, slopeLog } = yearOnYear(wavy, { draws: 200, seed: 5 });
    expect(draws).toHaveLength(200);
    expect([...draws]).toEqual([...draws].sort((a, b) => a - b));
    expect(low).toBeLessThan(slopeLog);
    expect(high).toBeGreaterThan(slopeLog);
  });
});

describe("yearly totals", () => {
  const year = (name: number, kwh: number, readFrac = 1) =>
    Array.from({ length: 12 }, (_, m) => ({ key: `${name}-${String(m + 1).padStart(2, "0")}`, kwh: kwh / 12, readFrac }));

  it("count whole years that were read, by a straight line through them", () => {
    expect(naiveYears([...year(2020, 100), ...year(2021, 99), ...year(2022, 98)]).changePerYearFrac).toBeCloseTo(-0.01, 9);
    expect(naiveYears([...year(2020, 100), ...year(2021, 99, 0.98)]).years).toHaveLength(2);
    expect(naiveYears([...year(2020, 100), ...year(2021, 99, 0.979)]).years).toHaveLength(1);
    expect(naiveYears([...year(2020, 100), ...year(2021, 99).slice(1)]).years.map(({ key }) => key)).toEqual(["2020"]);
    expect(naiveYears(year(2020, 120)).years[0]!.kwh).toBeCloseTo(120, 9);
  });
});

describe("a reading through its filters", () => {
  const COUNT = 1500;
  const input = (parts: Partial<Parameters<typeof readAgeing>[0]> = {}) => ({
    days: daysFrom("2019-01-01", COUNT),
    cleanLog: straight(COUNT, 0.01),
    rawLog: straight(COUNT, 0.02),
    causesOutLog: straight(COUNT, 0.015),
    weight: new Float64Array(COUNT).fill(1),
    dirtFrac: new Float64Array(COUNT),
    months: [],
    ageAtStartYears: 1,
    light: { clearLog: null, stabilityPerYearFrac: 0, calibratedDays: [] },
    dirtOffsets: [],
    draws: 50,
    seed: 2,
    ...parts,
  });

  it("says of each how many days it leaves and what they would give", () => {
    const weight = new Float64Array(COUNT).fill(1).map((_, d) => (d % 2 === 0 ? 1 : 0.4));
    const dirtFrac = new Float64Array(COUNT).map((_, d) => (d % 4 === 0 ? 0.03 : 0));
    const { filters, usedDays } = readAgeing(input({ weight, dirtFrac }));
    expect(filters.map(({ name, days }) => [name, days])).toEqual([
      ["read-and-lit", COUNT],
      ["causes-out", COUNT],
      ["clear", COUNT / 2],
      ["little-dirt", COUNT / 4],
    ]);
    const [raw, out, clear] = filters;
    expect(raw!.perYearFrac / out!.perYearFrac).toBeGreaterThan(1.25);
    expect(out!.perYearFrac / clear!.perYearFrac).toBeGreaterThan(1.4);
    expect(usedDays).toBe(COUNT / 4);
  });

  it("dirt that most days carry takes none of them away", () => {
    const dirtFrac = new Float64Array(COUNT).fill(0.05);
    expect(readAgeing(input({ dirtFrac })).filters[3]!.days).toBe(COUNT);
  });

  it("a loss of the log is a share of the first output: linear in the nameplate, read at the record's middle", () => {
    const { perYearFrac, years } = readAgeing(input());
    const middle = 1 + COUNT / 2 / 365.2425;
    expect(years).toBeCloseTo(COUNT / 365.2425, 9);
    expect(perYearFrac).toBeCloseTo(0.01 / (1 + 0.01 * middle), 6);
  });

  it("the modules' first months don't count", () => {
    const young = readAgeing(input({ ageAtStartYears: 0 }));
    expect(young.usedDays).toBe(COUNT - 128);
    expect(readAgeing(input({ ageAtStartYears: 0.36 })).usedDays).toBe(COUNT);
  });

  it("is too soon under nineteen tenths of a year", () => {
    const days = (years: number) => Math.round(years * 365.2425);
    const of = (count: number) => {
      const part = (values: Float64Array) => values.slice(0, count);
      const all = input();
      return readAgeing({
        ...all,
        days: all.days.slice(0, count),
        cleanLog: part(all.cleanLog),
        rawLog: part(all.rawLog),
        causesOutLog: part(all.causesOutLog),
        weight: part(all.weight),
        dirtFrac: part(all.dirtFrac),
      });
    };
    expect(of(days(1.88)).isTooSoon).toBe(true);
    expect(of(days(1.92)).isTooSoon).toBe(false);
    // Scatter shrinks with the years, what the light leaves open does not.
    const { halfWidthLater, halfScatterFrac, halfLightFrac } = of(days(2));
    const later = [3, 4, 5].map((years) => Math.hypot(halfScatterFrac * (2 / years) ** 1.5, halfLightFrac));
    expect(halfWidthLater.map((half) => half.toFixed(5))).toEqual(later.map((half) => half.toFixed(5)));
  });

  it("never narrows below the drift of light sensor and meter", () => {
    const { low, high } = readAgeing(input());
    expect((high - low) / 2).toBeCloseTo(1.96 * Math.hypot(0.002, 0.0004), 6);
  });
});
