import { averagePrice, type BillMonth } from "../bills";
import { Exact, quantity, sumOf } from "../exact";
import { billsInTurn, daysInMonth, PLACEMENTS, type Placement, type Plan, type Slices, slicesOfTotals, type UsageSlice } from "../tariff";

/** A billed month since the array runs. */
export interface SavingInput extends BillMonth {
  readonly exportKwh: number;
  readonly productionKwh: number;
  /** Self-used energy by band of the tariff; empty where the tariff has one band. */
  readonly selfByBandKwh: Readonly<Record<string, number>>;
  /** Production was filled from the model. */
  readonly isFilled: boolean;
}

export interface SavingMonth {
  readonly key: string;
  readonly loadKwh: number;
  readonly selfUsedKwh: number;
  readonly billed: Exact;
  /** The bill of the same consumption without the array; null where no plan is known. */
  readonly without: Exact | null;
  /** The printed bill reckoned again from its own kWh, to test the plan. */
  readonly again: Exact | null;
  /** The three methods; null where what one needs is missing. */
  readonly oldAverage: Exact | null;
  readonly reRun: Exact | null;
  readonly flatValue: Exact | null;
  /**
   * What the re-run lies between: the same as it, or, where what the sun covered can't be placed in a band, all of it in the cheapest and all of it in
   * the dearest. Null where no plan is known.
   */
  readonly reRunRange: readonly [low: Exact, high: Exact] | null;
  readonly isFilled: boolean;
  /** No bill: nothing of it counts in a sum. */
  readonly isEstimated: boolean;
}

export interface SavingsTerms {
  readonly plans: readonly Plan[];
  readonly currency: string;
  readonly before: readonly BillMonth[];
  /** A kWh's flat worth, self-used and exported; null where the site gives none. */
  readonly flatPerKwh: { readonly used: string; readonly exported: string } | null;
}

/**
 * What the array saved in each month, by three methods: (a) consumption at the old average price less the bill, (b) the tariff in force
 * run again over the consumption without the array, less the bill, (c) production at a flat worth. Only (b) knows when energy was used.
 */
export function savingsOf(months: readonly SavingInput[], { plans, currency, before, flatPerKwh }: SavingsTerms): SavingMonth[] {
  const oldPrice = averagePrice(before);
  const withoutArray = (month: SavingInput): MonthUsage => ({
    importKwh: loadOf(month),
    importByBandKwh: withSelf(month),
    unbandedKwh: Object.keys(month.selfByBandKwh).length === 0 ? loadOf(month) - month.importKwh : 0,
    exportKwh: 0,
  });
  const without = reRun(months, plans, currency, withoutArray);
  const bounds = PLACEMENTS.map((placement) => reRun(months, plans, currency, withoutArray, placement));
  const again = reRun(months, plans, currency, (month) => ({
    importKwh: month.importKwh,
    importByBandKwh: month.importByBandKwh,
    exportKwh: month.exportKwh,
  }));
  return months.map((month, k): SavingMonth => {
    const loadKwh = loadOf(month);
    const selfUsedKwh = loadKwh - month.importKwh;
    const bill = without[k]!;
    return {
      key: month.key,
      loadKwh,
      selfUsedKwh,
      billed: month.amount,
      without: bill,
      again: again[k]!,
      oldAverage: oldPrice ? oldPrice.times(quantity(loadKwh)).minus(month.amount) : null,
      reRun: bill ? bill.minus(month.amount) : null,
      reRunRange: bill ? [bill.minus(month.amount), bill.minus(month.amount)] : rangeOf(bounds, k, month.amount),
      flatValue: flatPerKwh
        ? quantity(selfUsedKwh).times(flatPerKwh.used).plus(quantity(month.exportKwh).times(flatPerKwh.exported))
        : null,
      isFilled: month.isFilled || month.isEstimated,
      isEstimated: month.isEstimated,
    };
  });
}

function rangeOf(bounds: readonly (readonly (Exact | null)[])[], k: number, billed: Exact): readonly [Exact, Exact] | null {
  const known = bounds.map((bills) => bills[k]).filter((bill) => bill != null);
  return known.length === bounds.length ? [Exact.min(...known).minus(billed), Exact.max(...known).minus(billed)] : null;
}

export const loadOf = (month: SavingInput): number => month.importKwh + Math.max(0, month.productionKwh - month.exportKwh);

function withSelf({ importByBandKwh, selfByBandKwh }: SavingInput): Record<string, number> {
  const bands = new Set([...Object.keys(importByBandKwh), ...Object.keys(selfByBandKwh)]);
  return Object.fromEntries([...bands].map((band) => [band, (importByBandKwh[band] ?? 0) + (selfByBandKwh[band] ?? 0)]));
}

interface MonthUsage {
  readonly importKwh: number;
  readonly importByBandKwh: Readonly<Record<string, number>>;
  readonly unbandedKwh?: number;
  readonly exportKwh: number;
}

/** Bills of the months under the plans in force; null for months that they can't charge. */
function reRun(
  months: readonly SavingInput[],
  plans: readonly Plan[],
  currency: string,
  usageOf: (month: SavingInput) => MonthUsage,
  placement: Placement | null = null,
): (Exact | null)[] {
  const slices = months.map((month): Slices => {
    const from = `${month.key}-01`;
    return slicesOfTotals(plans, { from, to: `${month.key}-${daysInMonth(from)}`, ...usageOf(month) }, placement);
  });
  const charged = slices.filter((slice): slice is { kind: "slices"; slices: readonly UsageSlice[] } => slice.kind === "slices");
  const bills = billsInTurn(
    charged.map((slice) => slice.slices),
    currency,
  );
  let next = 0;
  return slices.map((slice) => (slice.kind === "slices" ? bills[next++]!.total : null));
}

export type SavingsMethod = "oldAverage" | "reRun" | "flatValue";

/** Sum of a school over the billed months it can speak of; null where there is none, or where a month of the re-run is only known between two ends. */
export function methodTotal(months: readonly SavingMonth[], method: SavingsMethod): Exact | null {
  const billed = months.filter(({ isEstimated }) => !isEstimated);
  if (method === "reRun" && billed.some(isRange)) return null;
  const known = billed.map((month) => month[method]).filter((value) => value !== null);
  return known.length > 0 ? sumOf(known) : null;
}

/** Whether what the array saved in a month is only known between two ends. */
export const isRange = ({ reRun, reRunRange: range }: SavingMonth): boolean => reRun === null && range !== null;

/** What the re-run over the billed months lies between, and of how many; null where no plan is known. Its ends are one where all energy has a band. */
export function reRunRange(months: readonly SavingMonth[]): { readonly low: Exact; readonly high: Exact; readonly months: number } | null {
  const known = months.flatMap((month) => (month.isEstimated || month.reRunRange === null ? [] : [month.reRunRange]));
  if (known.length === 0) return null;
  return { low: sumOf(known.map(([low]) => low)), high: sumOf(known.map(([, high]) => high)), months: known.length };
}

/** Mean bill before less mean bill after, a year: what many do, and what a new car or a price rise spoils. */
export function naiveSavingPerYear(before: readonly BillMonth[], after: readonly BillMonth[]): Exact | null {
  const perYear = (months: readonly BillMonth[]): Exact =>
    sumOf(months.map(({ amount }) => amount))
      .div(months.length)
      .times(12);
  return before.length > 0 && after.length > 0 ? perYear(before).minus(perYear(after)) : null;
}
