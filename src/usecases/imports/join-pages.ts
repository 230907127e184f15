import type { StoredQuantity } from "@/contracts/mapping";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import type { PagedSeries } from "@/formats/tabular/series";
import type { StoredSeries } from "../ledger";

/** Day pages of one column, with the meter or the module they belong to (empty for weather). */
export type MeteredPages = Omit<PagedSeries, "quantity"> & { readonly quantity: StoredQuantity; readonly meterId: string };

export interface DayPages {
  readonly quantity: string;
  readonly meterId: string;
  readonly stepMinutes: number;
  readonly phaseMinutes: number;
  /** UTC day number to the day's values. */
  readonly days: ReadonlyMap<number, Float64Array>;
}

/** Day pages as one column from the first to the last day; NaN on days that have no page. Null without pages. */
export function joinPages(pages: DayPages): StoredSeries | null {
  if (pages.days.size === 0) return null;
  let first = Number.POSITIVE_INFINITY;
  let last = Number.NEGATIVE_INFINITY;
  for (const day of pages.days.keys()) {
    first = Math.min(first, day);
    last = Math.max(last, day);
  }
  const perDay = Math.round(1440 / pages.stepMinutes);
  const values = new Float64Array((last - first + 1) * perDay).fill(Number.NaN);
  for (const [day, page] of pages.days) values.set(page, (day - first) * perDay);
  const startUtcMs = first * DAY_MS + pages.phaseMinutes * MINUTE_MS;
  return {
    quantity: pages.quantity,
    meterId: pages.meterId,
    values,
    axis: { startUtcMs, stepMinutes: pages.stepMinutes, count: values.length },
  };
}
