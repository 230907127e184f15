import { medianSorted } from "simple-statistics";
import { blockBootstrap } from "../statistics";
import { DAYS_PER_YEAR } from "../units";

/** A pair of days one year apart: change of the log index a year. */
export interface YearPair {
  readonly day: number;
  readonly changeLog: number;
}

export interface YearOnYear {
  /** Median change of the log index a year; NaN without pairs. */
  readonly slopeLog: number;
  readonly low: number;
  readonly high: number;
  readonly pairs: readonly YearPair[];
  /** Medians of the redrawn pairs, sorted. */
  readonly draws: Float64Array;
}

/** A pair's second day may lie this far from the anniversary. */
const OFF_DAYS = 3;
const YEAR_DAYS = 365;
/** Weather and dirt hang together over about a month. */
const BLOCK_DAYS = 30;

export interface YearOnYearTerms {
  readonly draws: number;
  readonly seed: number;
}

/**
 * Median of all changes between days one year apart, with the interval of a block bootstrap over calendar days; immune to seasons that
 * come each year. `logIndex` holds one value a day, NaN where a day tells nothing.
 * Source: Jordan, Deline, Kurtz, Kimball & Anderson, 2018, Robust PV degradation methodology and application.
 */
export function yearOnYear(logIndex: Float64Array, { draws, seed }: YearOnYearTerms): YearOnYear {
  const pairs: YearPair[] = [];
  for (let d = 0; d + YEAR_DAYS - OFF_DAYS < logIndex.length; d++) {
    if (Number.isNaN(logIndex[d])) continue;
    const partner = nearestKnown(logIndex, d + YEAR_DAYS);
    if (partner < 0) continue;
    pairs.push({ day: d, changeLog: ((logIndex[partner]! - logIndex[d]!) * DAYS_PER_YEAR) / (partner - d) });
  }
  const changes = Float64Array.from(pairs, ({ changeLog }) => changeLog);
  if (changes.length === 0) return { slopeLog: Number.NaN, low: Number.NaN, high: Number.NaN, pairs, draws: new Float64Array(0) };
  const perDay = pairs.length / Math.max(1, pairs.at(-1)!.day - pairs[0]!.day + 1);
  const ranked = rankOf(changes);
  const terms = { count: pairs.length, block: Math.max(1, Math.round(BLOCK_DAYS * perDay)), draws, seed };
  const counts = new Int32Array(pairs.length);
  const boot = blockBootstrap(terms, (indices) => medianOfDraw(indices, ranked, counts));
  return { slopeLog: medianSorted(ranked.sorted as unknown as number[]), low: boot.low, high: boot.high, pairs, draws: boot.draws };
}

function nearestKnown(values: Float64Array, at: number): number {
  for (let off = 0; off <= OFF_DAYS; off++) {
    for (const k of [at + off, at - off]) if (k < values.length && !Number.isNaN(values[k])) return k;
  }
  return -1;
}

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
