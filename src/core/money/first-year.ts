import { type LedgerLine, readOfTimeFrac } from "../ledger";
import { ageingFactor } from "../module";
import type { AgeingTerms } from "../site";

/** Whose energy a payback counts. */
export type EnergyBasis = "metered" | "expected" | "promise";

export interface YearEnergy {
  readonly basis: EnergyBasis;
  /** Mean of the calendar months there are, each weighed once, brought to the first year in the field. */
  readonly firstYearKwh: number;
  readonly monthsUsed: number;
}

/** A month must be read this far to stand for its kind; the rest of it is scaled up by its expected energy. */
const ENOUGH_READ_FRAC = 0.5;

/**
 * Energy of the first year in the field from monthly lines: for each calendar month the mean of the years there are (metered months are
 * completed by their unread share and need at least half of it read), summed over the twelve, divided by the mean ageing of the
 * months used. Null unless all twelve calendar months occur.
 */
export function firstYearEnergy(
  lines: readonly LedgerLine[],
  basis: EnergyBasis,
  terms: { readonly ageing: AgeingTerms; readonly commissioned: string | null },
): YearEnergy | null {
  const sums = new Float64Array(12);
  const counts = new Float64Array(12);
  let monthsUsed = 0;
  for (const line of lines) {
    const kwh = lineEnergy(line, basis);
    if (kwh === null) continue;
    const month = Number(line.key.slice(5, 7)) - 1;
    sums[month]! += basis === "promise" ? kwh : kwh / agedShare(line.key, terms);
    counts[month]! += 1;
    monthsUsed++;
  }
  if (counts.some((count) => count === 0)) return null;
  const unaged = sums.reduce((total, kwh, month) => total + kwh / counts[month]!, 0);
  return { basis, monthsUsed, firstYearKwh: basis === "promise" ? unaged : unaged * ageingFactor(0.5, terms.ageing) };
}

function lineEnergy(line: LedgerLine, basis: EnergyBasis): number | null {
  if (basis === "promise") return line.promiseKwh;
  if (basis === "expected") return line.expectedKwh > 0 ? line.expectedKwh : null;
  // What was read beside a usual year's light was read: only the rest is filled up.
  return line.meteredKwh === null || readOfTimeFrac(line) < ENOUGH_READ_FRAC ? null : line.meteredKwh + line.dataGapKwh - line.usualReadKwh;
}

function agedShare(key: string, terms: { readonly ageing: AgeingTerms; readonly commissioned: string | null }): number {
  if (!terms.commissioned) return 1;
  const [year, month] = terms.commissioned.split("-").map(Number) as [number, number];
  const ageYears = Number(key.slice(0, 4)) - year + (Number(key.slice(5, 7)) - month + 0.5) / 12;
  return ageingFactor(ageYears, terms.ageing);
}
