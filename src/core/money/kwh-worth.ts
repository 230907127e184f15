import type { Site, Tariff } from "../site";
import { YEAR_MS } from "../units";
import { type ExportEnd, type PriceTerms, priceIn, priceRises } from "./price-path";
import { selfUseOf } from "./self-use";

type Priced = Pick<Site, "money" | "commissioned">;

interface At {
  /** Age of the plant from which years are counted. */
  readonly ageYears?: number;
  /** Share used on the spot where it is known better than the site's terms have it. */
  readonly selfUsedFrac?: number | undefined;
}

/** The site's own terms of what a kilowatt-hour is worth; null where no price is known. */
export function priceTermsOf({ money: { tariff }, commissioned }: Priced, { ageYears = 0, selfUsedFrac }: At = {}): PriceTerms | null {
  const { importPerKwh, exportPerKwh, priceRisePerYearFrac, exportRisePerYearFrac } = tariff;
  if (importPerKwh === null) return null;
  const end = exportEndOf(tariff, commissioned);
  const own = selfUseOf(tariff);
  return {
    importPerKwh,
    exportPerKwh,
    priceRisePerYearFrac,
    exportRisePerYearFrac,
    selfUsedFrac: selfUsedFrac ?? own.frac,
    selfUsedHalfWidthFrac: selfUsedFrac === undefined ? own.halfWidthFrac : 0,
    isSelfUseAssumed: selfUsedFrac === undefined && !own.isTold,
    exportEnd: end && { ...end, afterYears: end.afterYears - ageYears },
  };
}

/** Years from commissioning until the export price ends; null where it does not. A site that names its end has a day to count from. */
function exportEndOf({ exportUntil, exportThenPerKwh }: Tariff, commissioned: string | null): ExportEnd | null {
  if (exportUntil === null || commissioned === null) return null;
  return { afterYears: (Date.parse(exportUntil) - Date.parse(commissioned)) / YEAR_MS, thenPerKwh: exportThenPerKwh };
}

/** What a kilowatt-hour at the meter is worth, in the site's currency: used and sold shares at their prices; null where no price is known. */
export function pricePerKwh(site: Priced): number | null {
  const terms = priceTermsOf(site);
  return terms && priceIn(terms, 1).toNumber();
}

/** Worth today of a kilowatt-hour in each of some years, by what its worth rises over the first, later money discounted. Source: Brealey, Myers & Allen, 2020, Principles of corporate finance (present value). */
export const yearlyKwhWorth = (price: number, rises: readonly number[], discountFrac: number): number =>
  rises.reduce((worth, rise, year) => worth + (price * rise) / (1 + discountFrac) ** year, 0);

/** By what a kilowatt-hour's worth rises over that of a plant's age, by the site's own terms: a value for each year to come. */
export function tariffRises(site: Priced, years: number, at: At = {}): number[] {
  const terms = priceTermsOf(site, at);
  // Without a price there are no weights: what is bought alone tells.
  return terms ? priceRises(terms, years) : Array.from({ length: years }, (_, k) => (1 + site.money.tariff.priceRisePerYearFrac) ** k);
}

/**
 * Share of extra energy that is used on the spot, by the share of all that is. It comes while the array gives its usual, when a part of the use is covered already:
 * none where none was used, all where all was, and less than the usual share between. Without the hours of use the square is the middle way.
 */
export const extraSelfUsedFrac = (selfUsedFrac: number): number => selfUsedFrac ** 2;

/** What an extra kilowatt-hour is worth at a plant's age: mostly exported, where a part is. Null where no price is known. */
export function extraWorthAt(site: Priced, years: number, at: At): ReturnType<typeof worthAt> {
  const usual = at.selfUsedFrac ?? selfUseOf(site.money.tariff).frac;
  return worthAt(site, years, { ...at, selfUsedFrac: extraSelfUsedFrac(usual) });
}

/** What a kilowatt-hour is worth at a plant's age, a decimal numeral, and by what that rises; null where no price is known. */
export function worthAt(site: Priced, years: number, at: At): { readonly perKwh: string; readonly rises: number[] } | null {
  const terms = priceTermsOf(site, at);
  return terms && { perKwh: priceIn(terms, 1).toFixed(4), rises: priceRises(terms, years) };
}
