import { handMadeFrame } from "@test/hand-made-frame";
import { near } from "@test/near";
import { describe, expect, it } from "vitest";
import type { RidgeFit } from "../../statistics";
import { modelledSoiling } from "./modelled";
import { standingTerms } from "./standing-terms";
import { suspect } from "./suspected-cleaning";
import { firstDirt, rainByDay, retainedBy, unitDirt, washingsNear } from "./washing";

const washing = { thresholdMm: 2, scaleMm: 4 };
const setting = (rain: Readonly<Record<number, number>>, cleaned: readonly number[] = [], days = 30) => ({
  days,
  rainMm: Float64Array.from({ length: days }, (_, d) => rain[d] ?? 0),
  cleaned: Uint8Array.from({ length: days }, (_, d) => (cleaned.includes(d) ? 1 : 0)),
  washing,
});

describe("washing", () => {
  it("leaves all up to its threshold, then by what is above it", () => {
    expect([0, 2].map((mm) => retainedBy(mm, washing))).toEqual([1, 1]);
    expect(retainedBy(6, washing)).toBeCloseTo(Math.exp(-1), 12);
    expect(retainedBy(10, washing)).toBeCloseTo(Math.exp(-2), 12);
  });

  it("is sought a step up and a step down, in both of its numbers", () => {
    expect(washingsNear({ thresholdMm: 5, scaleMm: 4 }, 1)).toEqual([
      { thresholdMm: 7, scaleMm: 4 },
      { thresholdMm: 3, scaleMm: 4 },
      { thresholdMm: 5, scaleMm: 8 },
      { thresholdMm: 5, scaleMm: 2 },
    ]);
    expect(washingsNear({ thresholdMm: 5, scaleMm: 4 }, 0.5).map(({ thresholdMm }) => thresholdMm)).toEqual([6, 4, 5, 5]);
    expect(washingsNear({ thresholdMm: 0.5, scaleMm: 4 }, 0.5)).toEqual([
      { thresholdMm: 1.5, scaleMm: 4 },
      { thresholdMm: 0, scaleMm: 4 },
      { thresholdMm: 0.5, scaleMm: 4 * Math.SQRT2 },
      { thresholdMm: 0.5, scaleMm: 4 / Math.SQRT2 },
    ]);
  });
});

describe("dirt of one a day", () => {
  it("grows in its days, then stays until rain of the day before takes it", () => {
    const dirt = unitDirt(setting({ 7: 6 }), 2, 5);
    expect([...dirt.subarray(0, 8)]).toEqual([0, 0, 1, 2, 3, 3, 3, 3]);
    expect(dirt[8]).toBeCloseTo(3 * Math.exp(-1), 12);
    expect(dirt[29]).toBeCloseTo(3 * Math.exp(-1), 12);
  });

  it("rain of its first day does not take what has not fallen yet, and rain in its days does", () => {
    expect(unitDirt(setting({ 1: 50 }), 2, 5)[2]).toBe(1);
    expect(unitDirt(setting({ 2: 6 }), 2, 5)[3]).toBeCloseTo(Math.exp(-1) + 1, 12);
  });

  it("a cleaning takes its whole day's too; what is next to nothing is gone", () => {
    expect([...unitDirt(setting({}, [3]), 2, 6).subarray(2, 7)]).toEqual([1, 0, 1, 2, 2]);
    const gone = unitDirt(setting({ 9: 2 + 4 * Math.log(3 / 0.019) }), 2, 5);
    expect([gone[9], gone[10], gone[20]]).toEqual([3, 0, 0]);
    const left = unitDirt(setting({ 9: 2 + 4 * Math.log(3 / 0.021) }), 2, 5);
    expect(left[20]).toBeCloseTo(0.021, 9);
  });

  it("its rate may change by the day", () => {
    expect([...unitDirt(setting({}), 0, 3, (d) => d + 1).subarray(0, 4)]).toEqual([1, 3, 6, 6]);
  });

  it("what lay there at first only goes", () => {
    const first = firstDirt(setting({ 0: 6, 4: 6 }, [7]));
    expect([first[0], first[4]]).toEqual([1, first[1]]);
    expect(first[1]).toBeCloseTo(Math.exp(-1), 12);
    expect(first[5]).toBeCloseTo(Math.exp(-2), 12);
    expect([first[7], first[8]]).toEqual([0, 0]);
  });

  it("rain is summed by the day; missing is none, and less than none is", () => {
    const frame = handMadeFrame({
      days: 3,
      rainMm: (i) => (i === 5 ? 2 : i === 30 ? 3 : i === 31 ? 1 : i === 50 ? Number.NaN : i === 51 ? -9 : 0),
    });
    expect([...rainByDay(frame)]).toEqual([2, 4, 0]);
    expect([...rainByDay(handMadeFrame({ days: 2 }))]).toEqual([0, 0]);
  });
});

describe("a cleaning that nobody wrote down", () => {
  const DAYS = 60;
  const flat = (value: number): Float64Array => new Float64Array(DAYS).fill(value);
  /** Nothing, but that it falls a little from day to day: of alike jumps the true day is the largest. */
  const level = flat(0).map((_, d) => -1e-6 * d);
  /** A jump of the residuals on a day. */
  const stepped = (at: number, size: number): Float64Array => level.map((value, d) => value + (d < at ? 0 : size));
  const ask = (
    residuals: Float64Array,
    { scale = 0.002, y = flat(0), weight = flat(1), cleaned = [] as number[], refused = [] as number[], rain = {} } = {},
  ) =>
    suspect(
      { residuals, scale } as unknown as RidgeFit,
      y,
      weight,
      setting({}, cleaned, DAYS).cleaned,
      setting({}, refused, DAYS).cleaned,
      setting(rain, [], DAYS).rainMm,
    );

  it("is the day from which on the level stands higher", () => {
    expect(ask(stepped(30, 0.03))).toBe(30);
    expect(ask(flat(0))).toBeNull();
    expect(ask(stepped(30, -0.03))).toBeNull();
  });

  it("stands out by twelve thousandths, and by 2.8 deviations of the medians", () => {
    expect([ask(stepped(30, 0.0121), { scale: 0.0001 }), ask(stepped(30, 0.0119), { scale: 0.0001 })]).toEqual([30, null]);
    const least = (2.8 * 0.02 * 1.2533) / Math.sqrt(3);
    expect([ask(stepped(30, least * 1.001), { scale: 0.02 }), ask(stepped(30, least * 0.999), { scale: 0.02 })]).toEqual([30, null]);
  });

  it("of two it is the larger", () => {
    const two = level.map((value, d) => value + (d < 20 ? 0 : d < 40 ? 0.02 : 0.06));
    expect(ask(two)).toBe(40);
  });

  it("rain from four days before to two after explains it", () => {
    const at = (day: number, mm = 1.1) => ask(stepped(30, 0.03), { rain: { [day]: mm } });
    expect([25, 26, 29, 32, 33].map((day) => at(day) === 30)).toEqual([true, false, false, false, true]);
    expect(at(29, 1)).toBe(30);
  });

  it("is none that the book or an earlier look has already", () => {
    expect(ask(stepped(30, 0.03), { cleaned: [30] })).not.toBe(30);
    expect(ask(stepped(30, 0.03), { refused: [27, 28, 29, 30, 31, 32, 33] })).toBeNull();
  });

  it("days that hardly tell are left out, and over a long gap nothing is sudden", () => {
    const weight = flat(1).map((_, d) => (d === 29 ? 0.3 : 1));
    const residuals = stepped(30, 0.03).map((value, d) => (d === 29 ? 9 : value));
    expect(ask(residuals, { weight })).toBe(30);
    const gap = (days: number) => ask(stepped(30, 0.03), { y: flat(0).map((_, d) => (d >= 30 - days && d < 30 ? Number.NaN : 0)) });
    expect([gap(11) === 30, gap(12) === 30]).toEqual([true, false]);
  });
});

describe("dirt that no day tells", () => {
  const index = { ratio: Float64Array.of(0.9, 0.1, 0.95), weight: new Float64Array(3), cloud: new Float64Array(3) };

  it("is a usual rate where rain is known, and none is claimed without", () => {
    const { lostFracByDay, ratePerDay, ratePerDayRange, isSeen, meanLostFrac, cleanLog } = modelledSoiling(
      handMadeFrame({ days: 3, rainMm: () => 0 }),
      index,
    );
    expect([...lostFracByDay]).toEqual([0.0003, 0.0006, 3 * 0.0003].map((value) => near(value, 12)));
    expect([ratePerDay, ...ratePerDayRange]).toEqual([0.0003, 0.0001, 0.0009].map((value) => near(value, 12)));
    expect(meanLostFrac).toBeCloseTo(0.0006, 12);
    expect(isSeen).toBe(false);
    expect(cleanLog[0]).toBeCloseTo(Math.log(0.9) - Math.log(1 - 0.0003), 12);
    expect(cleanLog[1]).toBeNaN();
    const none = modelledSoiling(handMadeFrame({ days: 3 }), index);
    expect([none.ratePerDay, none.meanLostFrac]).toEqual([0, 0]);
  });

  it("is washed as usual", () => {
    const rained = modelledSoiling(handMadeFrame({ days: 3, rainMm: (i) => (i === 30 ? 9 : 0) }), index);
    expect(rained.lostFracByDay[2]!).toBeCloseTo(0.0006 * Math.exp(-2.5) + 0.0003, 12);
    expect(rained.retainedBy(9)).toBeCloseTo(Math.exp(-2.5), 12);
  });
});

describe("what stands beside dirt", () => {
  it("is a level, a slope by the year, two seasons and clouds", () => {
    const cloud = new Float64Array(800).fill(0.3);
    const [level, slope, cos, sin, cos2, sin2, clouds] = standingTerms(800, cloud);
    const year = 365.2425;
    const d = 200;
    const t = d / year;
    expect(level!.values[d]).toBe(1);
    expect(level!.priorDeviation).toBe(Number.POSITIVE_INFINITY);
    expect(slope!.values[d]).toBeCloseTo(t, 12);
    expect(slope).toMatchObject({ prior: -0.007, priorDeviation: 0.012 });
    expect([cos!.values[d], sin!.values[d], cos2!.values[d], sin2!.values[d]]).toEqual(
      [Math.cos(2 * Math.PI * t), Math.sin(2 * Math.PI * t), Math.cos(4 * Math.PI * t), Math.sin(4 * Math.PI * t)].map((value) =>
        near(value, 12),
      ),
    );
    expect([cos, sin, cos2, sin2, clouds].map((term) => [term!.prior, term!.priorDeviation])).toEqual([
      [0, 0.012],
      [0, 0.012],
      [0, 0.005],
      [0, 0.005],
      [0, 0.15],
    ]);
    expect(clouds!.values).toBe(cloud);
  });
});
