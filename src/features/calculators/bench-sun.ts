import { z } from "zod";
import { isUsual, type WeatherBasis } from "@/core/basis";
import { type LedgerLine, weatherBasisOf } from "@/core/ledger";
import { CLIMATES, type Climate } from "@/core/weather";
import { bookSunTold, CLOUDLESS_TOLD, climateSunTold, type SunTold } from "@/wording/sun-told";

/** The sun that a bench reckons with: a year of the book's weather, a climate that was picked, or a cloudless sky. */
export interface BenchSun extends SunTold {
  /** A year of the book; null where the book has no weather or there is no book. */
  readonly year: string | null;
  /** Null: cloudless, where there is no year either. */
  readonly climate: Climate | null;
  /** How far a year's energy may be trusted. */
  readonly kind: "measured" | "usual" | "cloudless";
}

export const bookSun = (year: string, basis: WeatherBasis): BenchSun => ({
  year,
  climate: null,
  kind: isUsual(basis) ? "usual" : "measured",
  ...bookSunTold(year, isUsual(basis)),
});

/** Sun where there is no weather: by the name of a climate; any other name is a cloudless sky. */
export const sunByName = (name: string): BenchSun =>
  isClimate(name)
    ? { year: null, climate: name, kind: "usual", ...climateSunTold(name) }
    : { year: null, climate: null, kind: "cloudless", ...CLOUDLESS_TOLD };

/** The name of a sun as it is kept in a browser. */
export const sunNameSchema = z.string().max(40);

const isClimate = (name: string): name is Climate => Object.hasOwn(CLIMATES, name);

/** The sun of the year that is read, else of the last one with light; null where there is none. */
export function bookSunOf(months: readonly LedgerLine[], asked?: string): BenchSun | null {
  const lit = months.filter(({ referenceKwh }) => referenceKwh > 0);
  const years = [...new Set(lit.map(({ key }) => key.slice(0, 4)))];
  const year = asked !== undefined && years.includes(asked) ? asked : years.at(-1);
  return year === undefined ? null : bookSun(year, weatherBasisOf(lit.filter(({ key }) => key.startsWith(year))));
}
