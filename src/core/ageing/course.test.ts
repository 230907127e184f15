import { describe, expect, it } from "vitest";
import { normalFrom, seededUniform } from "../statistics";
import { monthlyTrend, recentRate, yearlyWave } from ".";

const YEARS = 7;
const DAYS = YEARS * 365;
const days = Array.from({ length: DAYS }, (_, d) => new Date(Date.UTC(2015, 0, 1 + d)).toISOString().slice(0, 10));

/** A log index that falls by one rate up to a year and by another after it, with a wave and scatter. */
function course({ before = 0.005, after = 0.005, atYears = 4, wave = 0, seed = 1, count = DAYS } = {}): Float64Array {
  const normal = normalFrom.bind(null, seededUniform(seed));
  return Float64Array.from({ length: count }, (_, d) => {
    const t = d / 365.2425;
    return -before * Math.min(t, atYears) - after * Math.max(0, t - atYears) + wave * Math.cos(2 * Math.PI * (t - 0.45)) + 0.015 * normal();
  });
}

const trendOf = (index: Float64Array) => monthlyTrend(days.slice(0, index.length), index);

describe("ageing that changes its pace", () => {
  it("is told with the day and both rates", () => {
    const found = recentRate(trendOf(course({ after: 0.02 })))!;
    expect(["2018-10", "2018-11", "2018-12", "2019-01", "2019-02", "2019-03"]).toContain(found.fromMonth);
    expect(Math.abs(found.beforeLog + 0.005)).toBeLessThan(0.003);
    expect(Math.abs(found.recentLog + 0.02)).toBeLessThan(found.halfLog + 0.002);
  });

  it("is none where the course is straight, with any scatter", () => {
    for (let seed = 1; seed <= 20; seed++) expect(recentRate(trendOf(course({ seed, wave: 0.02 }))), String(seed)).toBeNull();
  });

  it("is not sought where either side would be too short", () => {
    expect(recentRate(trendOf(course({ after: 0.03, atYears: 1.5, count: 2.9 * 365 })))).toBeNull();
  });
});

describe("the wave of the index through the year", () => {
  it("is read with its size and its months, and is no ageing", () => {
    const index = course({ wave: 0.03 });
    const trend = trendOf(index);
    const wave = yearlyWave(trend)!;
    expect(Math.abs(wave.halfFrac - 0.03)).toBeLessThan(0.005);
    expect([4, 5, 6]).toContain(wave.highest);
    expect([10, 11, 0]).toContain(wave.lowest);
    expect(Math.abs(trend.slopeLog + 0.005)).toBeLessThan(0.001);
  });

  it("is small where there is none, and not told of under two years", () => {
    expect(yearlyWave(monthlyTrend(days, course()))!.halfFrac).toBeLessThan(0.006);
    expect(yearlyWave(monthlyTrend(days.slice(0, 600), course().slice(0, 600)))).toBeNull();
  });
});
