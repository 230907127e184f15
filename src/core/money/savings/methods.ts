import { averagePrice, type BillMonth } from "../bills";
import { type Exact, quantity, sumOf } from "../exact";
import { billsInTurn, daysInMonth, type Plan, type Slices, slicesOfTotals, type UsageSlice } from "../tariff";

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
  readonly isFilled: boolean;
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
  const without = reRun(months, plans, currency, (month) => ({
    importKwh: loadOf(month),
    importByBandKwh: withSelf(month),
    exportKwh: 0,
  }));
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
      flatValue: flatPerKwh
        ? quantity(selfUsedKwh).times(flatPerKwh.used).plus(quantity(month.exportKwh).times(flatPerKwh.exported))
        : null,
      isFilled: month.isFilled || month.isEstimated,
    };
  });
}

export const loadOf = (month: SavingInput): number => month.importKwh + Math.max(0, month.productionKwh - month.exportKwh);

function withSelf({ importByBandKwh, selfByBandKwh }: SavingInput): Record<string, number> {
  const bands = new Set([...Object.keys(importByBandKwh), ...Object.keys(selfByBandKwh)]);
  return Object.fromEntries([...bands].map((band) => [band, (importByBandKwh[band] ?? 0) + (selfByBandKwh[band] ?? 0)]));
}

interface MonthUsage {
  readonly importKwh: number;
  readonly importByBandKwh: Readonly<Record<string, number>>;
  readonly exportKwh: number;
}

/** Bills of the months under the plans in force; null for months that they can't charge. */
function reRun(
  months: readonly SavingInput[],
  plans: readonly Plan[],
  currency: string,
  usageOf: (month: SavingInput) => MonthUsage,
): (Exact | null)[] {
  const slices = months.map((month): Slices => {
    const from = `${month.key}-01`;
    return slicesOfTotals(plans, { from, to: `${month.key}-${daysInMonth(from)}`, ...usageOf(month) });
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

/** Sum of a school over the months it can speak of; null where there is none. */
export function methodTotal(months: readonly SavingMonth[], method: SavingsMethod): Exact | null {
  const known = months.map((month) => month[method]).filter((value) => value !== null);
  return known.length > 0 ? sumOf(known) : null;
}

/** Mean bill before less mean bill after, a year: what many do, and what a new car or a price rise spoils. */
export function naiveSavingPerYear(before: readonly BillMonth[], after: readonly BillMonth[]): Exact | null {
  const perYear = (months: readonly BillMonth[]): Exact =>
    sumOf(months.map(({ amount }) => amount))
      .div(months.length)
      .times(12);
  return before.length > 0 && after.length > 0 ? perYear(before).minus(perYear(after)) : null;
}
