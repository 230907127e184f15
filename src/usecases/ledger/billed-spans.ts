import type { BillLine } from "@/core/money";
import type { MeteredSpan } from "@/core/readings";
import type { Site } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { DAY_MS } from "@/core/units";
import type { StoredSeries, StoredSparse } from "./ports";

/**
 * Production that the bills print, as readings: for whoever has bills alone. Where the book has readings of its own these stand, and what a bill says of the time before the
 * plant was there is none of its production.
 */
export function billedSpans(
  bills: readonly Pick<BillLine, "from" | "to" | "productionKwh">[],
  site: Site,
  held: { readonly production: readonly Pick<StoredSeries, "meterId">[]; readonly sparse: StoredSparse },
): MeteredSpan[] {
  const { production, sparse } = held;
  if (production.length > 0 || sparse.spans.length > 0 || sparse.counters.length > 1) return [];
  const meter = wholeMeter(site);
  if (!meter) return [];
  const offset = zoneOffset(site.place.timeZone);
  const midnight = (date: string, days = 0): number => utcOfWall(Date.parse(`${date}T00:00:00Z`) + days * DAY_MS, offset);
  return bills.flatMap(({ from, to, productionKwh }) =>
    productionKwh === null || (site.commissioned !== null && from < site.commissioned)
      ? []
      : [{ meterId: meter, fromUtcMs: midnight(from), toUtcMs: midnight(to, 1), kwh: productionKwh }],
  );
}

/** The meter that counts what the whole site makes: a bill knows no parts. Null without one. */
function wholeMeter({ meters, arrays }: Site): string | null {
  const whole = meters.filter((meter) => meter.point === "ac" && (meter.arrays.length === 0 || meter.arrays.length === arrays.length));
  return whole[0]?.id ?? null;
}
