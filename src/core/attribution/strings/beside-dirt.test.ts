import { describe, expect, it } from "vitest";
import { seededUniform } from "../../statistics";
import { unitDirt } from "../soiling/washing";
import { type DirtDays, daysBeside, isBeyondCleaning, isDownAYearLater, stepBesideDirt } from "./beside-dirt";

const DAYS = 300;
const FROM = 120;
const TO = 180;
const WASHING = { thresholdMm: 3, scaleMm: 3.5 };

interface Plant {
  readonly dirtPerDay?: number;
  readonly lost?: number;
  readonly rains?: readonly number[];
  readonly cleanings?: readonly number[];
  readonly cloudFrac?: number;
}

/** Daily levels of a plant that grows dirty, is rained on, and loses a part from day 120 to 180. */
function daysOf({ dirtPerDay = 0, lost = 0, rains = [40, 178, 240], cleanings = [], cloudFrac = 0 }: Plant): DirtDays {
  const uniform = seededUniform(3);
  const rainMm = Float64Array.from({ length: DAYS }, (_, d) => (rains.includes(d) ? 14 : 0));
  const cleaned = Uint8Array.from({ length: DAYS }, (_, d) => (cleanings.includes(d) ? 1 : 0));
  const dirt = unitDirt({ days: DAYS, rainMm, cleaned, washing: WASHING }, 0, DAYS);
  const cloud = Float64Array.from({ length: DAYS }, () => 0.3 * uniform());
  const ratio = dirt.map(
    (days, d) =>
      0.95 * (1 - dirtPerDay * days) * (d >= FROM && d < TO ? 1 - lost : 1) * (1 + cloudFrac * cloud[d]!) * (1 + 0.02 * (uniform() - 0.5)),
  );
  return { index: { ratio, weight: new Float64Array(DAYS).fill(1), cloud }, rainMm, cleaned: new Set(cleanings) };
}

const stepOf = (plant: Plant, to = TO): number => stepBesideDirt(daysOf(plant), FROM, to, daysBeside(FROM, to, DAYS)).step;

describe("a step beside dirt", () => {
  it("is the part that is lost, with dirt or without", () => {
    expect(stepOf({ lost: 0.1 })).toBeCloseTo(Math.log(0.9), 2);
    expect(stepOf({ lost: 0.1, dirtPerDay: 0.0012 })).toBeCloseTo(Math.log(0.9), 1);
    expect(stepOf({ lost: 0.25, dirtPerDay: 0.0006, cloudFrac: 0.1 })).toBeCloseTo(Math.log(0.75), 1);
  });

  it("is next to none where dirt alone grows and a rain takes it at the stretch's end", () => {
    expect(Math.abs(stepOf({ dirtPerDay: 0.0012 }))).toBeLessThan(0.02);
    expect(Math.abs(stepOf({ dirtPerDay: 0.0012, rains: [60], cleanings: [179] }))).toBeLessThan(0.02);
  });

  it("tells the days better with the end that was than with none", () => {
    const plant = daysOf({ lost: 0.1, dirtPerDay: 0.001, cleanings: [183] });
    const window = daysBeside(FROM, TO, DAYS);
    const [back, out] = [stepBesideDirt(plant, FROM, TO, window), stepBesideDirt(plant, FROM, window[1], window)];
    const scale = Math.min(back.scale, out.scale);
    expect(back.lossAt(scale)).toBeLessThan(0.8 * out.lossAt(scale));
  });

  it("asks sixty days on each side, within the record", () => {
    expect(daysBeside(20, 280, DAYS)).toEqual([0, DAYS]);
    expect(daysBeside(100, 150, DAYS)).toEqual([40, 210]);
  });

  it("is weighed against dirt of its own pace that was gone on the day of its end", () => {
    const part = daysOf({ lost: 0.1 });
    expect(isBeyondCleaning(part, FROM, TO)).toBe(true);
    expect(isBeyondCleaning(daysOf({ lost: 0.1, dirtPerDay: 0.0008 }), FROM, TO)).toBe(true);
    // Dirt that grew twice as fast in the stretch, and was wiped at its end by nobody who writes.
    const ramp = daysOf({});
    const ratio = ramp.index.ratio.map((value, d) => value * (d >= FROM && d < TO ? 1 - 0.0018 * (d - FROM) : 1));
    expect(isBeyondCleaning({ ...ramp, index: { ...ramp.index, ratio } }, FROM, TO)).toBe(false);
  });
});

describe("a level that fell", () => {
  const level = (at: (day: number) => number): DirtDays => ({
    ...daysOf({}),
    index: { ratio: Float64Array.from({ length: 800 }, (_, d) => at(d)), weight: new Float64Array(800), cloud: new Float64Array(800) },
  });
  const isDown = (at: (day: number) => number, to = 800): boolean => isDownAYearLater(level(at), 60, to, 0.04);

  it("is still down a year on where a part is out, and not where a season was high", () => {
    expect(isDown((d) => (d < 60 ? 1 : 0.96))).toBe(true);
    expect(isDown((d) => (d % 365 < 60 ? 1 : 0.96))).toBe(false);
  });

  it("is weighed half way, and taken to be where no year apart tells", () => {
    expect([0.979, 0.981].map((left) => isDown((d) => (d < 60 ? 1 : left)))).toEqual([true, false]);
    expect(isDown((d) => (d % 365 < 60 ? 1 : 0.96), 300)).toBe(true);
  });
});
