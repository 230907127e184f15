import type { Site, Tariff } from "../site";
import { YEAR_MS } from "../units";
import { Exact } from "./exact";
import { type PriceTerms, priceRises } from "./price-path";

/** What a kilowatt-hour at the meter is worth, in the site's currency: used and sold shares at their prices; null where no price is known. */
export function pricePerKwh({ money: { tariff } }: Pick<Site, "money">): number | null {
  if (tariff.importPerKwh === null) return null;
  const used = new Exact(tariff.importPerKwh).times(tariff.selfUsedFrac);
  return used.plus(new Exact(tariff.exportPerKwh ?? "0").times(1 - tariff.selfUsedFrac)).toNumber();
}

/** Worth today of a kilowatt-hour in each of some years, by what its worth rises over the first, later money discounted. Source: Brealey, Myers & Allen, 2020, Principles of corporate finance (present value). */
export const yearlyKwhWorth = (price: number, rises: readonly number[], discountFrac: number): number =>
  rises.reduce((worth, rise, year) => worth + (price * rise) / (1 + discountFrac) ** year, 0);

/** By what a kilowatt-hour's worth rises over that of a plant's age, by the site's own terms: a value for each year to come. */
export function tariffRises(
  { money: { tariff }, commissioned }: Pick<Site, "money" | "commissioned">,
  years: number,
  ageYears = 0,
): number[] {
  // Without a price there are no weights: what is bought alone tells.
  if (tariff.importPerKwh === null) return Array.from({ length: years }, (_, k) => (1 + tariff.priceRisePerYearFrac) ** k);
  const end = exportEndOf(tariff, commissioned);
  const exportEnd = end && { ...end, afterYears: end.afterYears - ageYears };
  return priceRises({ ...tariff, importPerKwh: tariff.importPerKwh, exportEnd }, years);
}

/** Years from commissioning until the export price ends; null where it does not, or nobody knows from when to count. */
export function exportEndOf(
  { exportUntil, exportThenPerKwh }: Tariff,
  commissioned: string | null,
): NonNullable<PriceTerms["exportEnd"]> | null {
  if (exportUntil === null || commissioned === null) return null;
  return { afterYears: (Date.parse(exportUntil) - Date.parse(commissioned)) / YEAR_MS, thenPerKwh: exportThenPerKwh };
}
