import { ageAtMiddleOf, isUsualYear, weatherTerms } from "@/core/ledger";
import { ageingFactor } from "@/core/module";
import { expectedUncertainty, type Uncertainty } from "@/core/yield";
import type { OpenLedger } from "./open-ledger";

/** How far the expected energy of so many months about a year may be off. */
export const uncertaintyOf = ({ site, report }: Pick<OpenLedger, "site" | "report">, year: number, months: number): Uncertainty =>
  expectedUncertainty(site, {
    ...weatherTerms(report.sources),
    ageYears: ageAtMiddleOf(year, site.commissioned),
    months,
    isUsualYear: report.months.some((line) => line.key.startsWith(String(year)) && isUsualYear(line)),
  });

/** Twelve lit months make a whole year. */
const WHOLE_MONTHS = 12;

/** The budget of a span, of one of its months, and of a whole year. */
export interface Doubt {
  readonly span: Uncertainty;
  readonly month: Uncertainty;
  readonly year: Uncertainty;
}

export const doubtOf = (ledger: OpenLedger, year: number, months: number): Doubt => ({
  span: uncertaintyOf(ledger, year, months),
  month: uncertaintyOf(ledger, year, 1),
  year: uncertaintyOf(ledger, year, WHOLE_MONTHS),
});

/** Expected energy of each whole calendar year, as if the plant were as old as in the last of them: what is left is weather. */
export function wholeYearsKwh(ledger: OpenLedger): number[] {
  const { years } = ledger.report;
  // A usual year is no year that came.
  const months = ledger.report.months.filter((line) => !isUsualYear(line));
  const whole = years.filter(
    ({ key }) => months.filter((line) => line.key.startsWith(key) && line.expectedKwh > 0).length === WHOLE_MONTHS,
  );
  const last = Number(whole.at(-1)?.key ?? 0);
  const left = (year: number): number => ageingFactor(ageAtMiddleOf(year, ledger.site.commissioned), ledger.site.ageing);
  return whole.map((line) => (line.expectedKwh * left(last)) / left(Number(line.key)));
}
