import { DAYS_PER_YEAR } from "../units";

/** A pair of days one year apart: change of the log index a year. */
export interface YearPair {
  readonly day: number;
  readonly partner: number;
  readonly changeLog: number;
}

/** A pair's second day may lie this far from the anniversary. */
const OFF_DAYS = 3;
const YEAR_DAYS = 365;

/** All pairs of days about one year apart; `logIndex` holds one value a day, NaN where a day tells nothing. */
export function yearPairs(logIndex: Float64Array): YearPair[] {
  const pairs: YearPair[] = [];
  for (let day = 0; day + YEAR_DAYS - OFF_DAYS < logIndex.length; day++) {
    if (Number.isNaN(logIndex[day])) continue;
    const partner = nearestKnown(logIndex, day + YEAR_DAYS);
    if (partner < 0) continue;
    pairs.push({ day, partner, changeLog: ((logIndex[partner]! - logIndex[day]!) * DAYS_PER_YEAR) / (partner - day) });
  }
  return pairs;
}

function nearestKnown(values: Float64Array, at: number): number {
  for (let off = 0; off <= OFF_DAYS; off++) {
    for (const k of [at + off, at - off]) if (k < values.length && !Number.isNaN(values[k])) return k;
  }
  return -1;
}
