import { averagePrice, type BillMonth } from "../bills";
import { type Exact, quantity } from "../exact";
import type { SavingInput, SavingMonth } from "./methods";
import { loadOf } from "./methods";

/** Why the methods part, as facts for words. Prices are currency a kWh. */
export interface MethodGap {
  /** Old average price, all charges in. */
  readonly oldPerKwh: Exact | null;
  /** Average price since the array, all charges in: as printed, and without what was paid for exports. */
  readonly netPerKwh: Exact | null;
  readonly grossPerKwh: Exact | null;
  /** What a kWh of the same consumption would cost now without the array. */
  readonly nowPerKwh: Exact | null;
  /** What a self-used kWh really avoided. */
  readonly avoidedPerKwh: Exact | null;
  /** Consumption a year, before and since. */
  readonly loadBeforeKwh: number | null;
  readonly loadSinceKwh: number | null;
}

export function methodGap(
  before: readonly BillMonth[],
  since: readonly SavingInput[],
  savings: readonly SavingMonth[],
  exportPerKwh: Exact,
): MethodGap {
  const known = savings.filter(({ without }) => without !== null);
  const sum = (of: (month: SavingMonth) => Exact): Exact => known.reduce((total, month) => total.plus(of(month)), quantity(0));
  const load = known.reduce((total, { loadKwh }) => total + loadKwh, 0);
  const used = known.reduce((total, { selfUsedKwh }) => total + selfUsedKwh, 0);
  const keys = new Set(known.map(({ key }) => key));
  const exported = since.filter(({ key }) => keys.has(key)).reduce((total, month) => total + month.exportKwh, 0);
  const perYear = (months: readonly unknown[], kwh: number): number | null => (months.length > 0 ? (kwh / months.length) * 12 : null);
  const billed = since.filter(({ isEstimated }) => !isEstimated);
  const credited = billed.map((month) => ({ ...month, amount: month.amount.plus(exportPerKwh.times(quantity(month.exportKwh))) }));
  return {
    oldPerKwh: averagePrice(before.filter(({ isEstimated }) => !isEstimated)),
    netPerKwh: averagePrice(billed),
    grossPerKwh: averagePrice(credited),
    nowPerKwh: load > 0 ? sum(({ without }) => without!).div(quantity(load)) : null,
    avoidedPerKwh:
      used > 0
        ? sum(({ reRun }) => reRun!)
            .minus(exportPerKwh.times(quantity(exported)))
            .div(quantity(used))
        : null,
    loadBeforeKwh: perYear(
      before,
      before.reduce((total, { importKwh }) => total + importKwh, 0),
    ),
    loadSinceKwh: perYear(
      since,
      since.reduce((total, month) => total + loadOf(month), 0),
    ),
  };
}
