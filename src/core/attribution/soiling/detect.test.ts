import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { meteredOnto } from "../../ledger";
import { seededUniform } from "../../statistics";
import { prepareWeather } from "../../yield";
import { type AttributionFrame, attributionFrame, soilingEvidence } from "..";
import type { DayIndex } from "../record/day-index";
import { firstDirt, rainByDay, retainedBy, USUAL_WASHING, unitDirt, washingsNear } from "./washing";

const DAYS = 4 * 365;
const plant = site({ place: { latitudeDeg: 40, longitudeDeg: 0, elevationM: 100, timeZone: "UTC" } });

/** A basis whose rain falls on days of one's choosing, mm. */
function basisOf(rainMm: (day: number) => number): AttributionFrame {
  const axis = hours("2019-01-01T00:00Z", DAYS * 24);
  const weather = {
    ...clearWeather(axis, plant.place),
    rainMm: Float64Array.from({ length: axis.count }, (_, i) => (i % 24 === 3 ? rainMm(Math.floor(i / 24)) : 0)),
  };
  return attributionFrame(plant, prepareWeather(plant.place, weather), meteredOnto(axis, [], plant));
}

interface Truth {
  readonly perDay: number;
  readonly washedMm: number;
  readonly cleanings: readonly number[];
  readonly agePerYear?: number;
  readonly cloudFrac?: number;
  readonly noise?: number;
}

/** Dirt by day by a law of its own: rain of a day or more cleans to a twelfth the next day. */
function dirtOf(rain: Float64Array, { perDay, washedMm, cleanings }: Truth): Float64Array {
  const out = new Float64Array(DAYS);
  let dirt = 0.01;
  for (let d = 0; d < DAYS; d++) {
    if (d > 0 && rain[d - 1]! >= washedMm) dirt *= 0.08;
    dirt += perDay;
    if (cleanings.includes(d)) dirt = 0.001;
    out[d] = dirt;
  }
  return out;
}

function indexOf(dirt: Float64Array, { agePerYear = 0.006, cloudFrac = 0, noise = 0.008 }: Truth): DayIndex {
  const uniform = seededUniform(71);
  const cloud = Float64Array.from(dirt, () => uniform() ** 3);
  const scatter = (): number => noise * (uniform() + uniform() + uniform() - 1.5) * 2;
  const ratio = dirt.map((lost, d) => (1 - lost) * (1 - agePerYear * (d / 365.25)) * Math.exp(cloudFrac * cloud[d]! + scatter()));
  return { ratio, weight: cloud.map((share) => 0.1 + 0.9 * (1 - share) ** 4), cloud };
}

const dry = (day: number): number =>
  day % 365 > 120 && day % 365 < 270 ? (day % 47 === 0 ? 1 : 0) : day % 9 === 0 ? 12 : day % 5 === 0 ? 2 : 0;
const mean = (values: Float64Array): number => values.reduce((a, b) => a + b, 0) / values.length;

describe("the law of dirt", () => {
  const setting = {
    days: 30,
    rainMm: Float64Array.from({ length: 30 }, (_, d) => (d === 9 ? 20 : 0)),
    cleaned: new Uint8Array(30),
    washing: USUAL_WASHING,
  };

  it("grows by one a day, and rain takes it from the next day on", () => {
    const dirt = unitDirt(setting, 0, 30);
    expect(dirt[0]).toBe(1);
    expect(dirt[9]).toBe(10);
    expect(dirt[10]!).toBeCloseTo(10 * retainedBy(20, USUAL_WASHING) + 1, 9);
  });

  it("is gone on the whole date of a cleaning", () => {
    const cleaned = new Uint8Array(30);
    cleaned[5] = 1;
    const dirt = unitDirt({ ...setting, cleaned }, 0, 30);
    expect(dirt[4]).toBe(5);
    expect(dirt[5]).toBe(0);
    expect(dirt[6]).toBe(1);
  });

  it("keeps what lay there at first until it is washed", () => {
    const first = firstDirt(setting);
    expect(first[9]).toBe(1);
    expect(first[10]!).toBeLessThan(0.01);
  });

  it("leaves all up to a threshold, and less with each millimetre above it", () => {
    expect(retainedBy(1, { thresholdMm: 1.5, scaleMm: 3 })).toBe(1);
    expect(retainedBy(4.5, { thresholdMm: 1.5, scaleMm: 3 })).toBeCloseTo(Math.exp(-1), 9);
    expect(retainedBy(9, { thresholdMm: 1.5, scaleMm: 3 })).toBeLessThan(retainedBy(6, { thresholdMm: 1.5, scaleMm: 3 }));
  });

  it("has washings a step away that never begin below nothing", () => {
    const near = washingsNear({ thresholdMm: 1, scaleMm: 2 }, 1);
    expect(near).toHaveLength(4);
    expect(near.every(({ thresholdMm, scaleMm }) => thresholdMm >= 0 && scaleMm > 0)).toBe(true);
    expect(new Set(near.map(({ scaleMm }) => scaleMm))).toEqual(new Set([1, 2, 4]));
  });

  it("sums rain by the site's own days", () => {
    const rain = rainByDay(basisOf((day) => (day === 3 ? 7 : 0)));
    expect(rain[3]).toBeCloseTo(7, 9);
    expect(mean(rain) * DAYS).toBeCloseTo(7, 9);
  });
});

describe("dirt from the daily index", () => {
  const frame = basisOf(dry);
  const rain = rainByDay(frame);
  const read = (truth: Truth, recorded: readonly number[] = []) => {
    const dirt = dirtOf(rain, truth);
    return { dirt, found: soilingEvidence(frame, indexOf(dirt, truth), recorded) };
  };

  it.each([
    [0.0004, 0.3],
    [0.001, 0.15],
    [0.002, 0.15],
  ])("reads the mean of dirt that grows by %d a day within 15 %%, and its growth within %d of it", (perDay, off) => {
    const { dirt, found } = read({ perDay, washedMm: 5, cleanings: [] });
    expect(found.isSeen).toBe(true);
    expect(Math.abs(mean(found.lostFracByDay) / mean(dirt) - 1)).toBeLessThan(0.15);
    expect(Math.abs(found.ratePerDay / perDay - 1)).toBeLessThan(off);
  });

  it("finds none where there is none, whatever clouds do to the sky model", () => {
    const clean = { perDay: 0, washedMm: 5, cleanings: Array.from({ length: DAYS }, (_, d) => d) };
    for (const cloudFrac of [-0.12, 0, 0.12]) {
      const { found } = read({ ...clean, cloudFrac });
      expect(found.isSeen, `clouds ${cloudFrac}`).toBe(false);
      expect(mean(found.lostFracByDay)).toBeLessThan(0.0015);
    }
  });

  it("finds cleanings that nobody wrote down to within three days, and no others", () => {
    const cleanings = [200, 365 + 210, 730 + 220];
    const { found } = read({ perDay: 0.0012, washedMm: 5, cleanings }, [365 + 210]);
    const told = found.resets.filter(({ cause }) => cause === "suspected").map(({ day }) => day);
    expect(told).toHaveLength(2);
    told.forEach((day, k) => void expect(Math.abs(day - cleanings[2 * k]!)).toBeLessThanOrEqual(3));
    expect(found.resets.some(({ cause, day }) => cause === "cleaning" && day === 365 + 210)).toBe(true);
  });

  it("takes no jump for a cleaning when rain fell before it", () => {
    const { found } = read({ perDay: 0.0012, washedMm: 5, cleanings: [] });
    expect(found.resets.filter(({ cause }) => cause === "suspected")).toHaveLength(0);
    expect(found.resets.some(({ cause }) => cause === "rain")).toBe(true);
  });

  it("leaves ageing in the log, and takes clouds and seasons out of it", () => {
    const truth: Truth = { perDay: 0.0008, washedMm: 5, cleanings: [], agePerYear: 0.009, cloudFrac: 0.1, noise: 0.002 };
    const { found } = read(truth);
    const years = [0, 3].map((year) => {
      const own = found.cleanLog.subarray(year * 365, (year + 1) * 365);
      return mean(own);
    }) as [number, number];
    expect((years[0] - years[1]) / 3).toBeCloseTo(0.009, 2);
    const scatter = found.cleanLog.map((log, d) => log + (0.009 * d) / 365.25);
    const middle = mean(scatter);
    expect(Math.sqrt(mean(scatter.map((value) => (value - middle) ** 2)))).toBeLessThan(0.012);
  });

  it("is told the surer the more of it there is", () => {
    const gains = [0.0001, 0.0004, 0.0016].map((perDay) => read({ perDay, washedMm: 5, cleanings: [] }).found.gain) as [
      number,
      number,
      number,
    ];
    expect(gains[0]).toBeGreaterThan(0);
    expect(gains[1]).toBeGreaterThan(3 * gains[0]);
    expect(gains[2]).toBeGreaterThan(3 * gains[1]);
    const none = read({ perDay: 0, washedMm: 5, cleanings: Array.from({ length: DAYS }, (_, d) => d) });
    expect(none.found.gain).toBeLessThan(8);
  });

  it("gives the whole light lost where cells under dirt run cooler and hide a part", () => {
    const truth: Truth = { perDay: 0.001, washedMm: 5, cleanings: [] };
    const dirt = dirtOf(rain, truth);
    const index = indexOf(dirt, truth);
    const [plain, hidden] = [soilingEvidence(frame, index, []), soilingEvidence(frame, index, [], 0.9)];
    expect(hidden.meanLostFrac / plain.meanLostFrac).toBeCloseTo(1 / 0.9, 6);
  });
});
