import { describe, expect, it } from "vitest";
import { normalFrom, seededUniform, Z_95 } from "../statistics";
import { lightRateError, lightStep, readAgeing, yearOnYear } from ".";
import { halfBetweenYears } from "./between-years";
import { yearPairs } from "./year-pairs";

const DAYS = 4 * 365;
const AT = 700;
const PER_YEAR = 0.006;

/** A plant's log index that falls by a rate, and the log of clear days' light, each with scatter; the light is stepped from a day on. */
function record({ frac = 0, scatter = 0.015, lightScatter = 0.01, seed = 1, isSeenByLight = true } = {}) {
  const normal = normalFrom.bind(null, seededUniform(seed));
  const step = (d: number): number => (d >= AT ? Math.log(1 + frac) : 0);
  const index = Float64Array.from({ length: DAYS }, (_, d) => (-PER_YEAR * d) / 365.2425 - step(d) + scatter * normal());
  const clear = Float64Array.from({ length: DAYS }, (_, d) =>
    d % 5 === 0 ? (isSeenByLight ? step(d) : 0) + lightScatter * normal() : Number.NaN,
  );
  return { index, clear };
}

const reading = (index: Float64Array, clearLog: Float64Array | null, parts = {}) =>
  readAgeing({
    days: Array.from({ length: DAYS }, (_, d) => new Date(Date.UTC(2019, 0, 1 + d)).toISOString().slice(0, 10)),
    cleanLog: index,
    rawLog: index,
    causesOutLog: index,
    weight: new Float64Array(DAYS).fill(1),
    dirtFrac: new Float64Array(DAYS),
    months: [],
    ageAtStartYears: 1,
    light: { clearLog, stabilityPerYearFrac: 0.002, calibratedDays: [] },
    dirtOffsets: [],
    draws: 100,
    seed: 2,
    ...parts,
  });

describe("what the light leaves open of a rate", () => {
  it("is two tenths of a percent a year at least without a calibration log, by class above it", () => {
    expect(lightRateError(0.001, 0, DAYS)).toBe(0.002);
    expect(lightRateError(0.0075, 0, DAYS)).toBe(0.0075);
  });

  it("is cut by calibrations, each with an error of its own that long records bear", () => {
    const years = (count: number, n: number): number => lightRateError(0.00375, n, count * 365.2425);
    expect(years(10, 4)).toBeLessThan(0.4 * years(10, 0));
    expect(years(10, 1)).toBeLessThan(years(3, 1));
    expect(years(10, 1)).toBeCloseTo(Math.hypot(0.00375 / 2, (Math.SQRT2 * 0.005) / 10), 9);
  });

  it("widens the interval and does not shrink with more years", () => {
    const { index } = record();
    const { halfLightFrac, halfScatterFrac, low, high, halfWidthLater } = reading(index, null);
    expect(halfLightFrac).toBeCloseTo(Z_95 * Math.hypot(0.002, 0.0004), 9);
    expect((high - low) / 2).toBeCloseTo(Math.hypot(halfLightFrac, halfScatterFrac), 12);
    expect(halfWidthLater[2]!).toBeGreaterThan(halfLightFrac);
  });
});

describe("a step of the light column", () => {
  it("is found where light and plant step apart by as much, by its day and size, on both sides", () => {
    for (const frac of [0.015, -0.02]) {
      const { index, clear } = record({ frac });
      const found = lightStep(clear, index)!;
      expect(Math.abs(found.day - AT)).toBeLessThan(45);
      expect(Math.abs(found.frac - frac)).toBeLessThan(0.004);
    }
  });

  it("is none where the plant alone gets worse, nor where nothing steps", () => {
    const worse = record({ frac: 0.02, isSeenByLight: false });
    expect(lightStep(worse.clear, worse.index)).toBeNull();
    for (let seed = 1; seed <= 20; seed++) {
      const { index, clear } = record({ seed });
      expect(lightStep(clear, index), String(seed)).toBeNull();
    }
  });

  it("is left out of the rate: days are not compared across it", () => {
    const { index, clear } = record({ frac: 0.02 });
    const [blind, seeing] = [reading(index, null), reading(index, clear)];
    expect(seeing.lightStep).not.toBeNull();
    expect(Math.abs(seeing.perYearFrac - PER_YEAR)).toBeLessThan(Math.abs(blind.perYearFrac - PER_YEAR));
    expect(Math.abs(seeing.perYearFrac - PER_YEAR)).toBeLessThan(0.0015);
  });

  it("that the field book gives is left out without being sought", () => {
    const { index } = record({ frac: 0.02 });
    const told = reading(index, null, { light: { clearLog: null, stabilityPerYearFrac: 0.002, calibratedDays: [AT] } });
    expect([told.calibrations, told.lightStep]).toEqual([1, null]);
    expect(Math.abs(told.perYearFrac - PER_YEAR)).toBeLessThan(0.0015);
  });

  it("a sensor calibrated every year leaves no pair unbroken: then all are compared, and the calibrations' error is in the interval", () => {
    const { index } = record();
    const every = (days: number) => Array.from({ length: Math.floor(DAYS / days) }, (_, k) => (k + 1) * days - 20);
    const pairsOf = (calibrated: number[]): number => yearOnYear(index, { draws: 20, seed: 1, calibrated }).pairs.length;
    const all = yearPairs(index).length;
    expect(pairsOf(every(360))).toBe(all);
    // One in the middle leaves two thirds of three years' pairs; two leave less than a half.
    expect(pairsOf([730])).toBeLessThan(0.7 * all);
    expect(pairsOf([400, 1000])).toBe(all);
    // What was seen to step is never compared across, whatever is left.
    expect(yearOnYear(index, { draws: 20, seed: 1, breaks: [400, 1000] }).pairs.length).toBeLessThan(0.5 * all);
  });
});

describe("what whole years share", () => {
  it("one bad year of three widens the interval by how years differ", () => {
    const even = record();
    const bad = record().index.map((log, d) => (d >= 365 && d < 730 ? log - 0.02 : log));
    expect(halfBetweenYears(yearPairs(bad.slice(0, 3 * 365)))).toBeGreaterThan(0.015);
    expect(halfBetweenYears(yearPairs(even.index))).toBeLessThan(0.004);
    expect(halfBetweenYears(yearPairs(even.index.slice(0, 2 * 365)))).toBe(0);
  });

  it("other fits of the dirt are drawn along: they widen the interval and leave the rate", () => {
    const { index } = record();
    const growing = (perYear: number): Float64Array => Float64Array.from(index, (_, d) => (perYear * d) / 365);
    const plain = yearOnYear(index, { draws: 200, seed: 1 });
    const drawn = yearOnYear(index, { draws: 200, seed: 1, offsets: [growing(-0.01), growing(0), growing(0.01)] });
    expect(drawn.slopeLog).toBe(plain.slopeLog);
    expect(drawn.high - drawn.low).toBeGreaterThan(0.018);
    expect(plain.high - plain.low).toBeLessThan(0.006);
  });
});
