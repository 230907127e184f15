import { handMadeFrame, LIT_KWH, nowhere } from "@test/hand-made-frame";
import { describe, expect, it } from "vitest";
import type { Weather } from "../../weather";
import { type DayIndex, dayIndex, usualRatio } from "./day-index";
import { toHours, toSteps } from "./hours";

type Parts = Parameters<typeof handMadeFrame>[0];
const NO_CEILING = 1e6;
const index = (parts: Partial<Parts>, spoilt = (_: number) => false, ceilingKwh = NO_CEILING): DayIndex => {
  const frame = handMadeFrame({ days: 20, ...parts });
  return dayIndex(
    frame,
    nowhere(frame).map((_, i) => (spoilt(i) ? 1 : 0)),
    ceilingKwh,
  );
};
const hourOf = (i: number): number => i % 24;

describe("metered over what is owed, by day", () => {
  it("is a ratio of sums over the hours that tell", () => {
    const { ratio, weight, cloud } = index({ metered: (i, kwh) => (hourOf(i) < 12 ? 0.5 : 1) * kwh });
    expect(ratio[3]).toBeCloseTo(0.75, 12);
    expect([weight[3], cloud[3]]).toEqual([1, 0]);
  });

  it("leaves out hours that were not read, not lit, or hold another cause", () => {
    const metered: Parts["metered"] = (i, kwh) => (hourOf(i) === 12 ? 0 : kwh);
    const noon = (i: number): boolean => hourOf(i) === 12;
    expect(index({ metered }).ratio[3]).toBeCloseTo(11 / 12, 12);
    for (const ratio of [index({ metered, unread: noon }).ratio, index({ metered, unlit: noon }).ratio, index({ metered }, noon).ratio])
      expect(ratio[3]).toBe(1);
  });

  it("needs hours enough, and tells the better the more there are up to six", () => {
    const lit = (hours: number) => index({ unread: (i) => hourOf(i) >= 6 + hours });
    const least = Array.from({ length: 12 }, (_, h) => h + 1).find((hours) => !Number.isNaN(lit(hours).ratio[3]!))!;
    expect(lit(least - 1).ratio[3]).toBeNaN();
    expect(lit(5).weight[3]).toBeCloseTo(5 / 6, 12);
    expect(lit(6).weight[3]).toBe(1);
    expect(lit(9).weight[3]).toBe(1);
    const quarters = index({ stepMinutes: 15, ratedKwh: 1, open: (i) => (i % 96 >= 24 && i % 96 < 44 ? 1 : 0) });
    expect(quarters.weight[3]).toBeCloseTo(5 / 6, 12);
  });

  it("hours at the ceiling are left out", () => {
    const open = (i: number): number => (hourOf(i) < 6 || hourOf(i) >= 18 ? 0 : hourOf(i) < 12 ? 2 : 4);
    const metered: Parts["metered"] = (_, kwh) => Math.min(3, kwh);
    expect(index({ open, metered }, undefined, 3).ratio[3]).toBe(1);
    expect(index({ open, metered }).ratio[3]).toBeCloseTo((2 * 6 + 3 * 6) / 36, 12);
  });

  it("a cloudy day weighs less, and how cloudy it was is said", () => {
    const { weight, cloud } = index({ clearness: (i) => (i < 240 ? 1 : 0.5) });
    expect([weight[3], cloud[3], cloud[15]]).toEqual([1, 0, 0.5]);
    expect(weight[15]!).toBeLessThan(0.5);
    expect(weight[15]!).toBeGreaterThan(0.05);
    expect(index({ clearness: () => 1.2 }).cloud[3]).toBe(0);
  });

  it("what clouds do to the ratio is taken out where near days tell it", () => {
    const dull = (i: number): boolean => Math.floor(i / 24) % 2 === 1;
    const { ratio } = index({ days: 60, clearness: (i) => (dull(i) ? 0.5 : 1), metered: (i, kwh) => (dull(i) ? 0.95 : 1) * kwh });
    expect(ratio[10]).toBeCloseTo(1, 9);
    expect(ratio[11]).toBeCloseTo(1, 6);
  });
});

describe("what is usual about a day", () => {
  const of = (ratio: number[], weight = ratio.map(() => 1)): Float64Array =>
    usualRatio({ ratio: Float64Array.from(ratio), weight: Float64Array.from(weight), cloud: new Float64Array(ratio.length) });

  it("is the seventh of ten of the days about it: half of them may be held by something", () => {
    const usual = of(Array.from({ length: 100 }, (_, d) => (d % 2 === 0 ? 0.5 : 1)));
    expect(usual[50]).toBe(1);
    expect(of(Array.from({ length: 100 }, (_, d) => 0.9 + d / 1e4))[50]!).toBeCloseTo(0.9 + (10 + 0.7 * 81) / 1e4, 2);
  });

  it("follows a plant that changes, but not below seven tenths of its all", () => {
    const usual = of(Array.from({ length: 400 }, (_, d) => (d < 200 ? 1 : 0.8)));
    expect([usual[50], usual[350]]).toEqual([1, 0.8]);
    expect(of(Array.from({ length: 400 }, (_, d) => (d < 300 ? 1 : 0.5)))[395]).toBeCloseTo(0.7, 12);
  });

  it("days that hardly give or hardly tell are not asked", () => {
    const bad = (value: number) => of(Array.from({ length: 100 }, (_, d) => (d % 5 === 0 ? 1 : value)))[50];
    expect(bad(0.39)).toBe(1);
    expect(bad(0.41)).toBe(0.41);
    const light = (weight: number) =>
      of(
        Array.from({ length: 100 }, (_, d) => (d % 5 === 0 ? 0.9 : 1)),
        Array.from({ length: 100 }, (_, d) => (d % 5 === 0 ? 1 : weight)),
      )[50];
    expect([light(0.19), light(0.21)]).toEqual([0.9, 1]);
  });

  it("with fewer than six days about it is that of all, and one without any", () => {
    const sparse = Array.from({ length: 300 }, (_, d) => (d < 100 ? 1 : d === 250 ? 0.8 : Number.NaN));
    expect(of(sparse)[250]).toBe(1);
    expect(of(new Array<number>(10).fill(Number.NaN))[5]).toBe(1);
  });
});

describe("finer records by the hour", () => {
  const axis = { startUtcMs: 0, stepMinutes: 15, count: 10 };
  const column = (...values: number[]): Float64Array => Float64Array.from(values);
  const weather = {
    axis,
    ghiWm2: column(100, 200, 300, 400, Number.NaN, Number.NaN, Number.NaN, Number.NaN, 1, 2),
    dniWm2: null,
    dhiWm2: null,
    poaWm2: null,
    airTempC: column(1, Number.NaN, 3, 5, 0, 0, 0, 0, 0, 0),
    windSpeedMs: null,
    rainMm: column(1, 0, 2, Number.NaN, 0, 0, 0, 0, 0, 0),
    snowDepthCm: null,
    albedo: null,
  } as unknown as Weather;
  const metered = {
    kwh: column(1, 2, 3, Number.NaN, Number.NaN, Number.NaN, Number.NaN, Number.NaN, 9, 9),
    readFrac: Float32Array.of(1, 1, 1, 0, 0, 0, 0, 0, 1, 1),
    caughtUpRows: 0,
    impossibleRows: 0,
    split: Uint8Array.of(0, 0, 2, 0, 0, 0, 0, 1, 0, 0),
  };

  it("light and air are means, energy and rain sums; missing is left out", () => {
    const hourly = toHours(weather, metered);
    expect(hourly.steps).toBe(4);
    expect(hourly.weather.axis).toEqual({ startUtcMs: 0, stepMinutes: 60, count: 2 });
    expect([...hourly.weather.ghiWm2!]).toEqual([250, Number.NaN]);
    expect([...hourly.weather.airTempC!]).toEqual([3, 0]);
    expect([...hourly.weather.rainMm!]).toEqual([3, 0]);
    expect(hourly.weather.dniWm2).toBeNull();
    expect([...hourly.metered.kwh]).toEqual([6, Number.NaN]);
    expect([...hourly.metered.readFrac]).toEqual([0.75, 0]);
    expect([...hourly.metered.split]).toEqual([2, 1]);
  });

  it("hours and coarser stay as they are", () => {
    const coarse = { ...weather, axis: { ...axis, stepMinutes: 60 } };
    expect(toHours(coarse, metered)).toEqual({ weather: coarse, metered, steps: 1 });
  });

  it("and back on the finer steps, the last hour holding what is left over", () => {
    expect([...toSteps(column(5, 6), 4, 10)]).toEqual([5, 5, 5, 5, 6, 6, 6, 6, 6, 6]);
    const same = column(1, 2);
    expect(toSteps(same, 1, 2)).toBe(same);
    expect([...toSteps(same, 1, 3)]).toEqual([1, 2, 2]);
  });
});

it("a frame made by hand owes what it says", () => {
  const frame = handMadeFrame({ days: 2 });
  expect(frame.openKwh.reduce((a, b) => a + b, 0)).toBe(2 * 12 * LIT_KWH);
});
