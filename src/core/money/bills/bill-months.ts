import { Exact, quantity, sumOf, ZERO } from "../exact";
import { datesBetween, daysInMonth } from "../tariff";
import type { BillLine } from "./types";

/** A calendar month of bills: its days' share of each bill that touches it. */
export interface BillMonth {
  /** "2021-03". */
  readonly key: string;
  readonly days: number;
  /** Days of the month that bills cover. */
  readonly billedDays: number;
  readonly importKwh: number;
  readonly importByBandKwh: Readonly<Record<string, number>>;
  readonly exportKwh: number | null;
  readonly productionKwh: number | null;
  readonly amount: Exact;
  /** No bill: taken from the same calendar month of other years, see `estimateMissing`. */
  readonly isEstimated: boolean;
}

interface Sums {
  days: number;
  importKwh: number;
  byBand: Record<string, number>;
  exportKwh: number | null;
  productionKwh: number | null;
  amount: Exact;
}

/** Bills sorted into calendar months, each bill spread evenly over its days. */
export function billMonths(bills: readonly BillLine[]): BillMonth[] {
  const months = new Map<string, Sums>();
  for (const bill of bills) {
    const dates = datesBetween(bill.from, bill.to);
    const byMonth = new Map<string, number>();
    for (const date of dates) byMonth.set(date.slice(0, 7), (byMonth.get(date.slice(0, 7)) ?? 0) + 1);
    for (const [key, days] of byMonth) add(months, key, bill, days, dates.length);
  }
  return [...months].sort(([a], [b]) => a.localeCompare(b)).map(([key, sums]) => monthOf(key, sums));
}

function add(months: Map<string, Sums>, key: string, bill: BillLine, days: number, all: number): void {
  const sums = months.get(key) ?? { days: 0, importKwh: 0, byBand: {}, exportKwh: null, productionKwh: null, amount: ZERO };
  const share = days / all;
  const plus = (sum: number | null, kwh: number | null): number | null => (kwh === null ? sum : (sum ?? 0) + kwh * share);
  sums.days += days;
  sums.importKwh += bill.importKwh * share;
  for (const [band, kwh] of Object.entries(bill.importByBandKwh)) sums.byBand[band] = (sums.byBand[band] ?? 0) + kwh * share;
  sums.exportKwh = plus(sums.exportKwh, bill.exportKwh);
  sums.productionKwh = plus(sums.productionKwh, bill.productionKwh);
  sums.amount = sums.amount.plus(days === all ? bill.amount : new Exact(bill.amount).times(days).div(all));
  months.set(key, sums);
}

const monthOf = (key: string, { days, byBand, ...sums }: Sums): BillMonth => ({
  ...sums,
  key,
  days: daysInMonth(`${key}-01`),
  billedDays: days,
  importByBandKwh: byBand,
  isEstimated: false,
});

/**
 * Months without a bill between the first and the last one: the mean of the same calendar month a year before and after, else of its two
 * neighbours; marked as estimated. A month that bills cover in part is stretched to its days.
 */
export function estimateMissing(months: readonly BillMonth[]): BillMonth[] {
  const [first, last] = [months[0], months.at(-1)];
  if (!first || !last) return [];
  const byKey = new Map(months.map((month) => [month.key, month]));
  const out: BillMonth[] = [];
  // Months are counted, not compared as text: a year of five digits would never come to its end.
  for (let month = monthNumber(first.key); month <= monthNumber(last.key); month++) {
    const key = monthKey(month);
    const own = byKey.get(key);
    if (own && own.billedDays === own.days) {
      out.push(own);
      continue;
    }
    const models = own ? [own] : likeMonths(byKey, key);
    if (models.length > 0) out.push(meanOf(key, models));
  }
  return out;
}

function likeMonths(byKey: ReadonlyMap<string, BillMonth>, key: string): BillMonth[] {
  const of = (...shifts: number[]): BillMonth[] =>
    shifts.map((shift) => byKey.get(later(key, shift))).filter((month) => month !== undefined);
  const sameMonth = of(-12, 12);
  return sameMonth.length > 0 ? sameMonth : of(-1, 1);
}

function meanOf(key: string, models: readonly BillMonth[]): BillMonth {
  const days = daysInMonth(`${key}-01`);
  const aDay = (of: (month: BillMonth) => number): number =>
    (models.reduce((sum, month) => sum + of(month) / month.billedDays, 0) / models.length) * days;
  const aDayOrNull = (of: (month: BillMonth) => number | null): number | null =>
    models.every((month) => of(month) !== null) ? aDay((month) => of(month)!) : null;
  const bands = [...new Set(models.flatMap((month) => Object.keys(month.importByBandKwh)))];
  return {
    key,
    days,
    billedDays: 0,
    importKwh: aDay((month) => month.importKwh),
    importByBandKwh: Object.fromEntries(bands.map((band) => [band, aDay((month) => month.importByBandKwh[band] ?? 0)])),
    exportKwh: aDayOrNull((month) => month.exportKwh),
    productionKwh: aDayOrNull((month) => month.productionKwh),
    amount: sumOf(models.map((month) => month.amount.div(month.billedDays)))
      .div(models.length)
      .times(days),
    isEstimated: true,
  };
}

/** Months since the year 0, of a month's name. */
export function monthNumber(key: string): number {
  const dash = key.indexOf("-", 1);
  return Number(key.slice(0, dash)) * 12 + Number(key.slice(dash + 1)) - 1;
}

/** A month's name by its number. */
const monthKey = (month: number): string =>
  `${String(Math.floor(month / 12)).padStart(4, "0")}-${String((month % 12) + 1).padStart(2, "0")}`;

/** A month's name some months on. */
export const later = (key: string, months: number): string => monthKey(monthNumber(key) + months);

/** Price of a bought kWh over some months, all charges in; null without a kWh. */
export function averagePrice(months: readonly BillMonth[]): Exact | null {
  const kwh = months.reduce((sum, month) => sum + month.importKwh, 0);
  return kwh > 0 ? sumOf(months.map(({ amount }) => amount)).div(quantity(kwh)) : null;
}
