import { endUtcMs, type TimeAxis } from "../series";
import { MINUTE_MS } from "../units";

/** What a test is made from, step by step. A value that is missing is NaN. */
export interface CapacityColumns {
  readonly axis: TimeAxis;
  /** In the plane of the modules; of several planes the mean by their rating. */
  readonly poaWm2: Float64Array;
  readonly airTempC: Float64Array;
  /** Null where nobody measured it: the term of the wind is left out. */
  readonly windSpeedMs: Float64Array | null;
  readonly meteredKw: Float64Array;
  /** Of the sound plant in the same weather. */
  readonly expectedKw: Float64Array;
  /** 1 where the field book says that something outside held the plant. */
  readonly held: Uint8Array;
}

/** The same by the intervals of the test. */
export interface TestIntervals extends CapacityColumns {
  /** Largest minus smallest in-plane light of its steps, over their mean; NaN where an interval is one step. */
  readonly swingFrac: Float64Array;
  /** Highest power of its steps, metered or expected, kW. */
  readonly highestKw: Float64Array;
}

/**
 * Brings columns to whole intervals; one with a step missing is missing. Intervals begin at whole multiples of their length. Throws a RangeError where a
 * step is no part of an interval.
 */
export function testIntervals(columns: CapacityColumns, averageMinutes: number): TestIntervals {
  const { axis } = columns;
  const steps = averageMinutes / axis.stepMinutes;
  if (!Number.isInteger(steps) || steps < 1) throw new RangeError("An interval of a capacity test is a whole number of steps");
  const lengthMs = averageMinutes * MINUTE_MS;
  const startUtcMs = Math.ceil(axis.startUtcMs / lengthMs) * lengthMs;
  const first = (startUtcMs - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS);
  const count = Math.max(0, Math.floor((endUtcMs(axis) - startUtcMs) / lengthMs));
  const mean = (column: Float64Array): Float64Array =>
    Float64Array.from({ length: count }, (_, k) => {
      let sum = 0;
      for (let i = first + k * steps; i < first + (k + 1) * steps; i++) sum += column[i]!;
      return sum / steps;
    });
  const poaWm2 = mean(columns.poaWm2);
  const swingFrac = new Float64Array(count).fill(Number.NaN);
  const highestKw = new Float64Array(count);
  const held = new Uint8Array(count);
  for (let k = 0; k < count; k++) {
    let [low, high, highest] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, 0];
    for (let i = first + k * steps; i < first + (k + 1) * steps; i++) {
      low = Math.min(low, columns.poaWm2[i]!);
      high = Math.max(high, columns.poaWm2[i]!);
      highest = Math.max(highest, columns.meteredKw[i]!, columns.expectedKw[i]!);
      if (columns.held[i] === 1) held[k] = 1;
    }
    if (steps > 1) swingFrac[k] = (high - low) / poaWm2[k]!;
    highestKw[k] = highest;
  }
  return {
    axis: { startUtcMs, stepMinutes: averageMinutes, count },
    poaWm2,
    airTempC: mean(columns.airTempC),
    windSpeedMs: columns.windSpeedMs && mean(columns.windSpeedMs),
    meteredKw: mean(columns.meteredKw),
    expectedKw: mean(columns.expectedKw),
    held,
    swingFrac,
    highestKw,
  };
}
