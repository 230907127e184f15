import { medianSorted } from "simple-statistics";
import { blockBootstrap } from "../statistics";
import { DAYS_PER_YEAR } from "../units";
import { type YearPair, yearPairs } from "./year-pairs";

export interface YearOnYear {
  /** Median change of the log index a year; NaN without pairs. */
  readonly slopeLog: number;
  readonly low: number;
  readonly high: number;
  readonly pairs: readonly YearPair[];
  /** Medians of the redrawn pairs, sorted. */
  readonly draws: Float64Array;
}

/** Weather and dirt hang together over about a month. */
const BLOCK_DAYS = 30;

export interface YearOnYearTerms {
  readonly draws: number;
  readonly seed: number;
  /** Days from which on the light was seen to read otherwise: no pair across one is taken. */
  readonly breaks?: readonly number[];
  /** Days of calibrations: pairs across one are left out while half of all stay. A sensor that is calibrated each year has no others. */
  readonly calibrated?: readonly number[];
  /** What else the log may be off by, by day: each draw takes one of these beside its redrawn days. */
  readonly offsets?: readonly Float64Array[];
}

/**
 * Median of all changes between days one year apart, with the interval of a block bootstrap over calendar days; immune to seasons that
 * come each year. `logIndex` holds one value a day, NaN where a day tells nothing.
 * Source: Jordan, Deline, Kurtz, Kimball & Anderson, 2018, Robust PV degradation methodology and application.
 */
export function yearOnYear(
  logIndex: Float64Array,
  { draws, seed, breaks = [], calibrated = [], offsets = [] }: YearOnYearTerms,
): YearOnYear {
  const whole = withoutAcross(yearPairs(logIndex), breaks);
  const unbroken = withoutAcross(whole, calibrated);
  const pairs = 2 * unbroken.length >= whole.length ? unbroken : whole;
  const changes = Float64Array.from(pairs, ({ changeLog }) => changeLog);
  if (changes.length === 0) return { slopeLog: Number.NaN, low: Number.NaN, high: Number.NaN, pairs, draws: new Float64Array(0) };
  const perDay = pairs.length / Math.max(1, pairs.at(-1)!.day - pairs[0]!.day + 1);
  const ranked = rankOf(changes);
  const drawn = offsets.length === 0 ? [ranked] : offsets.map((offset) => rankOf(withOffset(pairs, offset)));
  const terms = { count: pairs.length, block: Math.max(1, Math.round(BLOCK_DAYS * perDay)), draws, seed };
  const counts = new Int32Array(pairs.length);
  let draw = 0;
  const boot = blockBootstrap(terms, (indices) => medianOfDraw(indices, drawn[draw++ % drawn.length]!, counts));
  return { slopeLog: medianSorted(ranked.sorted as unknown as number[]), low: boot.low, high: boot.high, pairs, draws: boot.draws };
}

const withoutAcross = (pairs: readonly YearPair[], days: readonly number[]): YearPair[] =>
  pairs.filter(({ day, partner }) => !days.some((at) => day < at && partner >= at));

/** Changes of the pairs with the log moved by an offset of each day. */
const withOffset = (pairs: readonly YearPair[], offset: Float64Array): Float64Array =>
  Float64Array.from(
    pairs,
    ({ day, partner, changeLog }) => changeLog + ((offset[partner]! - offset[day]!) * DAYS_PER_YEAR) / (partner - day),
  );

interface Ranked {
  readonly sorted: Float64Array;
  /** Place of each item among the sorted. */
  readonly rank: Int32Array;
}

/** Sorted once, a median of any redraw is a walk over counts: no redraw is sorted again. */
function rankOf(values: Float64Array): Ranked {
  const order = [...values.keys()].sort((a, b) => values[a]! - values[b]!);
  const rank = new Int32Array(values.length);
  order.forEach((item, place) => {
    rank[item] = place;
  });
  return { sorted: Float64Array.from(order, (item) => values[item]!), rank };
}

function medianOfDraw(indices: Int32Array, { sorted, rank }: Ranked, counts: Int32Array): number {
  counts.fill(0);
  for (let k = 0; k < indices.length; k++) counts[rank[indices[k]!]!]!++;
  const half = indices.length / 2;
  let seen = 0;
  for (let place = 0; place < counts.length; place++) {
    seen += counts[place]!;
    if (seen >= half) return sorted[place]!;
  }
  return Number.NaN;
}
