import { ageingFactor } from "@/core/module";
import { expectedUncertainty, type Uncertainty } from "@/core/yield";
import type { OpenLedger } from "./open-ledger";

/** Years in the field at the middle of a calendar year. */
function ageAtMiddle(ledger: OpenLedger, year: number): number {
  const { commissioned } = ledger.site;
  return commissioned ? Math.max(0, year + 0.5 - (Number(commissioned.slice(0, 4)) + (Number(commissioned.slice(5, 7)) - 1) / 12)) : 0;
}

/** How far the expected energy of a year may be off. */
export const uncertaintyOf = (ledger: OpenLedger, year: number): Uncertainty =>
  expectedUncertainty(ledger.site, { inPlane: ledger.weather?.poaWm2 != null, ageYears: ageAtMiddle(ledger, year) });

/** Twelve lit months make a whole year. */
const WHOLE_MONTHS = 12;

/** Expected energy of each whole calendar year, as if the plant were as old as in the last of them: what is left is weather. */
export function wholeYearsKwh(ledger: OpenLedger): number[] {
  const { months, years } = ledger.report;
  const whole = years.filter(
    ({ key }) => months.filter((line) => line.key.startsWith(key) && line.expectedKwh > 0).length === WHOLE_MONTHS,
  );
  const last = Number(whole.at(-1)?.key ?? 0);
  const left = (year: number): number => ageingFactor(ageAtMiddle(ledger, year), ledger.site.ageing);
  return whole.map((line) => (line.expectedKwh * left(last)) / left(Number(line.key)));
}
