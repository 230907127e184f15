import { Exact } from "./exact";

/** What a kilowatt-hour is worth in each year: what is used follows the price of bought energy, what is exported has terms of its own. */
export interface PriceTerms {
  readonly importPerKwh: string;
  /** Null: exported energy earns nothing. */
  readonly exportPerKwh: string | null;
  readonly selfUsedFrac: number;
  /** How far that share may be off on either side, evenly: where nobody told it. */
  readonly selfUsedHalfWidthFrac?: number;
  /** Nobody told it, neither bills nor the site: half stands for it, or all where no export has a price. */
  readonly isSelfUseAssumed?: boolean;
  /** Of bought energy. */
  readonly priceRisePerYearFrac: number;
  /** Of exported energy; a fixed rate has none. */
  readonly exportRisePerYearFrac?: number;
  /** After how many years the export price ends, and what is paid then; null: it does not end. */
  readonly exportEnd?: ExportEnd | null;
}

export interface ExportEnd {
  readonly afterYears: number;
  readonly thenPerKwh: string | null;
}

const rises = (perYearFrac: number, year: number): Exact => new Exact(1).plus(perYearFrac).pow(year - 1);

/** Price of an exported kilowatt-hour in a year of the plant (1 is the first): in the year in which it ends, both prices by their share of the year. */
export function exportPriceIn({ exportPerKwh, exportRisePerYearFrac = 0, exportEnd = null }: PriceTerms, year: number): Exact {
  const risen = new Exact(exportPerKwh ?? 0).times(rises(exportRisePerYearFrac, year));
  if (!exportEnd) return risen;
  const before = Math.max(0, Math.min(1, exportEnd.afterYears - (year - 1)));
  return risen.times(before).plus(new Exact(exportEnd.thenPerKwh ?? 0).times(1 - before));
}

/** Worth of a produced kilowatt-hour in a year of the plant, used and exported weighed. */
export function priceIn(terms: PriceTerms, year: number): Exact {
  const used = new Exact(terms.importPerKwh).times(rises(terms.priceRisePerYearFrac, year)).times(terms.selfUsedFrac);
  return used.plus(exportPriceIn(terms, year).times(new Exact(1).minus(terms.selfUsedFrac)));
}

/** Each year's worth over the first year's: by what a worth of one kilowatt-hour is carried on. All ones where a kilowatt-hour is worth nothing. */
export function priceRises(terms: PriceTerms, years: number): number[] {
  const first = priceIn(terms, 1);
  return Array.from({ length: years }, (_, k) =>
    first.isZero()
      ? 1
      : priceIn(terms, k + 1)
          .div(first)
          .toNumber(),
  );
}
