import { senSlope } from "../../statistics";
import type { AttributionFrame } from "./frame";
import {
  AT_CEILING_FRAC,
  DIM_FRAC,
  EVERY_DAYS,
  LEAST_APART,
  LEAST_HOURS,
  LEAST_PAIRS,
  LOW_SUN,
  MOST_CLOUD,
  NEAR_DAYS,
  OVERCAST_WEIGHT,
} from "./thresholds";

/** Metered over healthy output by local day, from hours that tell it well. */
export interface DayIndex {
  /** NaN where a day tells nothing. */
  readonly ratio: Float64Array;
  /** 0 to 1: how well a day tells, by its light and by how steady its sky was. */
  readonly weight: Float64Array;
  /** How far a day's sky was from a cloudless one, 0 to 1. What clouds do to the ratio is out of it; the fit of dirt refines that. */
  readonly cloud: Float64Array;
}

/** `spoilt` marks steps that another cause holds; `ceilingKwh` is the most a step gives. */
export function dayIndex(frame: AttributionFrame, spoilt: Uint8Array, ceilingKwh: number): DayIndex {
  const { axis, days, openKwh, meteredKwh, read, lit, sun, ratedKwh, clearness } = frame;
  const count = days.keys.length;
  const [expected, meteredSum, hours, clear] = [0, 1, 2, 3].map(() => new Float64Array(count)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const stepHours = axis.stepMinutes / 60;
  for (let i = 0; i < axis.count; i++) {
    const kwh = openKwh[i]!;
    if (spoilt[i] === 1 || read[i] === 0 || lit[i] === 0 || !(sun.up[i]! > LOW_SUN)) continue;
    if (!(kwh > DIM_FRAC * ratedKwh) || kwh > AT_CEILING_FRAC * ceilingKwh) continue;
    const day = days.binOf[i]!;
    expected[day]! += kwh;
    meteredSum[day]! += meteredKwh[i]!;
    hours[day]! += stepHours;
    clear[day]! += Math.min(1, clearness[i]!) * kwh;
  }
  const ratio = new Float64Array(count).fill(Number.NaN);
  const weight = new Float64Array(count);
  const cloud = new Float64Array(count);
  for (let d = 0; d < count; d++) {
    if (hours[d]! < LEAST_HOURS) continue;
    ratio[d] = meteredSum[d]! / expected[d]!;
    const clearFrac = clear[d]! / expected[d]!;
    cloud[d] = 1 - clearFrac;
    weight[d] = (OVERCAST_WEIGHT + (1 - OVERCAST_WEIGHT) * clearFrac ** 4) * Math.min(1, hours[d]! / 6);
  }
  return { ratio: withoutClouds(ratio, cloud), weight, cloud };
}

/**
 * The each day would have had it under a cloudless sky. Sky models part ways under clouds, all year alike: by how much is the middle
 * of what near days with unlike skies differ by.
 */
function withoutClouds(ratio: Float64Array, cloud: Float64Array): Float64Array {
  const { slope, pairs } = senSlope(
    cloud,
    ratio.map((value) => (value > 0.3 ? Math.log(value) : Number.NaN)),
    { leastApart: LEAST_APART, reach: NEAR_DAYS },
  );
  if (pairs < LEAST_PAIRS) return ratio;
  const held = Math.max(-MOST_CLOUD, Math.min(MOST_CLOUD, slope));
  return ratio.map((value, d) => value * Math.exp(-held * cloud[d]!));
}

/** Upper-middle ratio of the days around each day: what the plant gives there when nothing holds it. */
export function usualRatio({ ratio, weight }: DayIndex, reachDays = 40): Float64Array {
  const out = new Float64Array(ratio.length);
  const known = [...ratio.keys()].filter((d) => ratio[d]! > 0.4 && weight[d]! > 0.2);
  const meteredSum = Float64Array.from(known, (d) => ratio[d]!);
  const overall = upper(meteredSum.slice());
  let from = 0;
  let to = 0;
  for (let d = 0; d < out.length; d++) {
    if (d % EVERY_DAYS !== 0) {
      out[d] = out[d - 1]!;
      continue;
    }
    while (from < known.length && known[from]! < d - reachDays) from++;
    while (to < known.length && known[to]! <= d + reachDays) to++;
    out[d] = to - from >= 6 ? Math.max(0.7 * overall, upper(meteredSum.slice(from, to))) : overall;
  }
  return out;
}

/** The 70 % quantile: half of a winter's days may be under snow. */
function upper(values: Float64Array): number {
  if (values.length === 0) return 1;
  values.sort();
  return values[Math.min(values.length - 1, Math.floor(values.length * 0.7))]!;
}
