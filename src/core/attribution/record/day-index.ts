import { senSlope } from "../../statistics";
import type { AttributionFrame } from "./frame";

/** Metered over healthy output by local day, from hours that tell it well. */
export interface DayIndex {
  /** NaN where a day tells nothing. */
  readonly ratio: Float64Array;
  /** 0 to 1: how well a day tells, by its light and by how steady its sky was. */
  readonly weight: Float64Array;
  /** How far a day's sky was from a cloudless one, 0 to 1. What clouds do to the ratio is out of it; the fit of dirt refines that. */
  readonly cloud: Float64Array;
}

/** Below this height of the sun (sine) sensors and models of the sky part ways. Source: IEC 61724-1:2021 filters; on the plants of the tests the scatter doubles below. */
const LOW_SUN = 0.2;
/** Hours of less than this share of rated output are too dim, above the second the inverter may be holding them. */
const DIM_FRAC = 0.18;
const AT_CEILING_FRAC = 0.95;
/** A day needs this many good hours' worth. */
const LEAST_HOURS = 2.5;
/** Weight of a wholly overcast day against a clear one: its scatter is three times as wide. */
const OVERCAST_WEIGHT = 0.1;

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

/** Days so near to one another share dirt, age and season; their skies have to differ by this much to tell what clouds do. */
const NEAR_DAYS = 4;
const LEAST_APART = 0.12;
const LEAST_PAIRS = 60;
/** No sky model is off by more than this between an overcast day and a cloudless one. */
const MOST_CLOUD = 0.25;

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

/** What is usual changes over weeks: it is worked out every few days. */
const EVERY_DAYS = 4;

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
