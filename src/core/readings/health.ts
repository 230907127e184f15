import { DAY_MS } from "../units";

/** How far a reading may stand from what it is set against: within either is fine. */
export interface Tolerance {
  readonly kwh: number;
  readonly frac: number;
}

export const USUAL_TOLERANCE: Tolerance = { kwh: 1, frac: 0.1 };

/** A reading beside one measure of what it should be. */
export interface HealthSide {
  readonly measureKwh: number;
  readonly differenceKwh: number;
  readonly ratio: number;
  readonly within: boolean;
}

/** Sets a reading against a measure; within tolerance when it is within the kilowatt-hours or within the share. A measure of zero has no ratio (NaN). */
export function healthSide(readKwh: number, measureKwh: number, tolerance: Tolerance): HealthSide {
  const differenceKwh = readKwh - measureKwh;
  const off = Math.abs(differenceKwh);
  return {
    measureKwh,
    differenceKwh,
    ratio: measureKwh > 0 ? readKwh / measureKwh : Number.NaN,
    within: off <= tolerance.kwh || off <= tolerance.frac * measureKwh,
  };
}

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
export const daysOfMonth = (year: number, month: number): number => (month === 1 && isLeap(year) ? 29 : DAYS[month]!);

/**
 * What a promise of twelve months (January first) says for the days [from, to), kWh: each day its share of its own month, so that 303 days of
 * spring and summer are not called ten twelfths of a year. Dates as "2024-03-01".
 */
export function promisedKwh(monthlyKwh: readonly number[], from: string, to: string): number {
  let sum = 0;
  for (let at = Date.parse(`${from}T00:00:00Z`); at < Date.parse(`${to}T00:00:00Z`); ) {
    const date = new Date(at);
    const [year, month] = [date.getUTCFullYear(), date.getUTCMonth()];
    const next = Math.min(Date.UTC(year, month + 1, 1), Date.parse(`${to}T00:00:00Z`));
    sum += (monthlyKwh[month]! * (next - at)) / DAY_MS / daysOfMonth(year, month);
    at = next;
  }
  return sum;
}

/** Expected energy over the days [from, to) that have weather, kWh, and their share of all; null without any. */
export function expectedOverDays(
  { days, expectedKwh }: { readonly days: readonly string[]; readonly expectedKwh: readonly number[] },
  from: string,
  to: string,
): { readonly kwh: number; readonly knownFrac: number } | null {
  let [kwh, known] = [0, 0];
  days.forEach((day, k) => {
    if (day < from || day >= to) return;
    kwh += expectedKwh[k]!;
    known++;
  });
  const all = Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
  return known > 0 && all > 0 ? { kwh, knownFrac: Math.min(1, known / all) } : null;
}
