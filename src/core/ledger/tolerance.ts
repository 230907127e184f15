import { probit } from "simple-statistics";
import type { Site } from "../site";
import { Z_90 } from "../statistics";
import { expectedUncertainty, type UncertaintyTerms } from "../yield";

/** Which columns of a book's weather there are, and which were taken by rule. */
export interface WeatherColumns {
  readonly weatherColumns: readonly string[];
  readonly assumedColumns: readonly string[];
}

/** What the budget has to know of a book's weather. */
export const weatherTerms = ({ weatherColumns, assumedColumns }: WeatherColumns): Pick<UncertaintyTerms, "inPlane" | "assumed"> => ({
  inPlane: weatherColumns.includes("poa_w_m2"),
  assumed: { air: assumedColumns.includes("air_temperature_c"), wind: assumedColumns.includes("wind_speed_m_s") },
});

/** Years in the field at the middle of a calendar year. */
export function ageAtMiddleOf(year: number, commissioned: string | null): number {
  return commissioned ? Math.max(0, year + 0.5 - (Number(commissioned.slice(0, 4)) + (Number(commissioned.slice(5, 7)) - 1) / 12)) : 0;
}

/**
 * Half width in standard deviations for a month: a year shows twelve of them, and nine of ten years with nothing wrong shall have none outside. Source: Dunn,
 * 1961, Multiple comparisons among means.
 */
const Z_OF_TWELVE = probit(1 - 0.1 / 2 / 12);

/**
 * Share of the expected energy of so many months within which a difference says nothing: nine of ten plants with nothing wrong lie inside with a year, and with
 * all twelve months of one. It comes from the one budget. Where causes were sought (`isLevelRead`) the level was read from the record itself, so that what all months share is out of it.
 */
export function toleranceFrac(
  site: Site,
  columns: WeatherColumns,
  { year, months, isLevelRead }: { readonly year: number; readonly months: number; readonly isLevelRead: boolean },
): number {
  const { parts } = expectedUncertainty(site, { ...weatherTerms(columns), ageYears: ageAtMiddleOf(year, site.commissioned), months });
  const left = parts.filter(({ shared }) => !isLevelRead || shared !== "always");
  return (months === 1 ? Z_OF_TWELVE : Z_90) * Math.hypot(...left.map(({ standardFrac }) => standardFrac));
}
