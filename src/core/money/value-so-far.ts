import type { LedgerLine } from "../ledger";
import type { Site } from "../site";
import { YEAR_MS } from "../units";
import { Exact } from "./exact";
import { priceTermsOf } from "./kwh-worth";
import { priceIn } from "./price-path";

export interface ValueSoFar {
  /** First and last month that was counted. */
  readonly from: string;
  readonly to: string;
  readonly months: number;
  readonly kwh: number;
  /** At the worth of a kilowatt-hour in each month's year, in the site's currency. */
  readonly worth: number;
  /** The same with none and with all of it used on the spot; both the worth itself where the share is told. */
  readonly low: number;
  readonly high: number;
}

type Priced = Pick<Site, "money" | "commissioned">;

/** What was counted so far, at the worth of each year: no sun, no model, no month that nobody read. Null without a price or without a reading. */
export function valueSoFar(
  site: Priced,
  months: readonly Pick<LedgerLine, "key" | "meteredKwh">[],
  selfUsedFrac: number | null = null,
): ValueSoFar | null {
  const terms = priceTermsOf(site, { selfUsedFrac: selfUsedFrac ?? undefined });
  const counted = months.flatMap(({ key, meteredKwh }) => (meteredKwh === null ? [] : [{ key, kwh: meteredKwh }]));
  const [first, last] = [counted[0], counted.at(-1)];
  if (!terms || !first || !last) return null;
  const begun = Date.parse(site.commissioned ?? `${first.key}-01`);
  const yearOf = (key: string): number => Math.max(1, Math.floor((Date.parse(`${key}-15`) - begun) / YEAR_MS) + 1);
  const worthAt = (used: number): number =>
    counted
      .reduce((sum, { key, kwh }) => sum.plus(priceIn({ ...terms, selfUsedFrac: used }, yearOf(key)).times(kwh)), new Exact(0))
      .toNumber();
  const untold = terms.selfUsedHalfWidthFrac ?? 0;
  const ends = [worthAt(terms.selfUsedFrac - untold), worthAt(terms.selfUsedFrac + untold)];
  return {
    from: first.key,
    to: last.key,
    months: counted.length,
    kwh: counted.reduce((sum, { kwh }) => sum + kwh, 0),
    worth: worthAt(terms.selfUsedFrac),
    low: Math.min(...ends),
    high: Math.max(...ends),
  };
}
