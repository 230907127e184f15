import type { LedgerReport } from "@/contracts/ledger";

/** A year with fewer months than this is no year to reckon with. */
const WHOLE_YEAR_MONTHS = 12;

/** Years of a ledger of which every month has weather, oldest first; the others where there is none. */
export function yearsOf({ report }: { readonly report: LedgerReport }): string[] {
  const names = report.years.filter(({ referenceKwh }) => referenceKwh > 0).map((year) => year.key);
  const whole = names.filter((name) => report.months.filter((month) => month.key.startsWith(name)).length >= WHOLE_YEAR_MONTHS);
  return whole.length > 0 ? whole : names;
}
