import type { Exact } from "../exact";

export interface SavedMonth {
  readonly key: string;
  readonly saving: Exact;
  readonly isEstimated?: boolean;
}

/**
 * How far a month's saving lies from its calendar month's mean, one deviation, before any two years are there: light and use of a month. An own
 * judgement; it gives way to what namesakes show.
 */
const USUAL_MONTH_FRAC = 0.2;
/** As many pairs of namesakes the judgement is worth. */
const USUAL_PAIRS = 4;
/** How far a month's share of the year may lie from the expected season, one deviation: savings follow prices and use as well as light. */
const SEASON_FRAC = 0.15;
/** Deviations of a 95 % interval. */
const NORMAL_95 = 1.96;

/**
 * Half width of the 95 % interval of a year's saving, as a share of it: months that were billed weigh by what namesakes differ by, those that stand on
 * the season by that and by the season's own doubt. Nothing where a year's saving is nothing.
 */
export function paceSpreadFrac(billed: readonly SavedMonth[], latest: ReadonlyMap<number, Exact>, season: readonly number[]): number {
  const all = season.reduce((sum, share) => sum + share, 0);
  const billedShare = [...latest.keys()].reduce((sum, month) => sum + season[month - 1]!, 0);
  const values = [...latest.values()].map((saving) => saving.toNumber());
  const billedYear = values.reduce((sum, value) => sum + value, 0);
  if (billedShare === 0 || billedYear === 0) return 0;
  const scale = all / billedShare;
  const ofMonths = monthSpreadFrac(billed) * scale * Math.sqrt(values.reduce((sum, value) => sum + value ** 2, 0));
  const ofSeason = SEASON_FRAC * (scale - 1) * billedYear;
  return (NORMAL_95 * Math.hypot(ofMonths, ofSeason)) / Math.abs(scale * billedYear);
}

/** Pooled deviation of namesakes about their mean, as a share of it, drawn to the usual one by as many pairs as that is worth. */
function monthSpreadFrac(billed: readonly SavedMonth[]): number {
  const byMonth = new Map<string, number[]>();
  for (const { key, saving } of billed) byMonth.set(key.slice(5), [...(byMonth.get(key.slice(5)) ?? []), saving.toNumber()]);
  let [squares, pairs] = [USUAL_PAIRS * USUAL_MONTH_FRAC ** 2, USUAL_PAIRS];
  for (const values of byMonth.values()) {
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    if (values.length < 2 || mean === 0) continue;
    squares += values.reduce((sum, value) => sum + (value / mean - 1) ** 2, 0);
    pairs += values.length - 1;
  }
  return Math.sqrt(squares / pairs);
}
