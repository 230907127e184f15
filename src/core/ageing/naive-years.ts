import { linearRegression } from "simple-statistics";
import { yearName } from "../time";

/** Metered energy of a whole year. */
export interface YearTotal {
  readonly key: string;
  readonly kwh: number;
}

export interface NaiveYears {
  readonly years: readonly YearTotal[];
  /** Change a year as a share of the first; NaN with fewer than two whole years. */
  readonly changePerYearFrac: number;
}

const WHOLE_FRAC = 0.98;

/**
 * Change of yearly totals as read off the meter: weather, snow, dirt and ageing together, shown for what it is. `firstMonth` (1 to 12)
 * starts the year; a fiscal year carries the calendar year in which it ends.
 */
export function naiveYears(
  months: readonly { readonly key: string; readonly kwh: number; readonly readFrac: number }[],
  firstMonth = 1,
): NaiveYears {
  const sums = new Map<string, { kwh: number; months: number; read: number }>();
  for (const { key, kwh, readFrac } of months) {
    const name = yearName(key, firstMonth);
    const sum = sums.get(name) ?? { kwh: 0, months: 0, read: 0 };
    sums.set(name, { kwh: sum.kwh + kwh, months: sum.months + 1, read: sum.read + readFrac });
  }
  const years = [...sums]
    .filter(([, sum]) => sum.months === 12 && sum.read / 12 >= WHOLE_FRAC)
    .map(([key, sum]) => ({ key, kwh: sum.kwh }));
  if (years.length < 2) return { years, changePerYearFrac: Number.NaN };
  const line = linearRegression(years.map((year, k) => [k, year.kwh]));
  return { years, changePerYearFrac: line.m / line.b };
}
