import { medianOf, Z_95 } from "../statistics";
import { DAYS_PER_YEAR } from "../units";
import type { YearPair } from "./year-pairs";

/** Fewer pairs than this say little of their year. */
const LEAST_PAIRS = 10;

/**
 * Half of the 95 % interval by how years differ from each other: what a whole year has in common (haze beside the mast, a wet spring, another driver's dust)
 * no redraw of months shows. Standard error of the mean of the years' own medians; 0 with one year of pairs, of which nothing can be told.
 */
export function halfBetweenYears(pairs: readonly YearPair[]): number {
  const byYear = new Map<number, number[]>();
  for (const { day, changeLog } of pairs) {
    const year = Math.floor((day - pairs[0]!.day) / DAYS_PER_YEAR);
    if (!byYear.has(year)) byYear.set(year, []);
    byYear.get(year)!.push(changeLog);
  }
  const medians = [...byYear.values()].filter((own) => own.length >= LEAST_PAIRS).map(medianOf);
  const n = medians.length;
  if (n < 2) return 0;
  const mean = medians.reduce((a, b) => a + b, 0) / n;
  const square = medians.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return Z_95 * Math.sqrt(square / (n - 1) / n);
}
