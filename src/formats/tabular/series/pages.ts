import { DAY_MS, MINUTE_MS } from "@/core/units";
import type { Quantity } from "./columns";

/** One column of a file as day pages: UTC day number to the day's values (NaN where none). */
export interface PagedSeries {
  readonly quantity: Quantity;
  readonly meterId: string | null;
  readonly stepMinutes: number;
  /** Minutes after UTC midnight at which the first interval of a day starts; under one step. */
  readonly phaseMinutes: number;
  readonly days: Map<number, Float64Array>;
}

/** What became of a value put into its place. */
export type Placed = "new" | "same" | "other";

/** Puts a value into its day page, or says that the place holds the same or another value already. */
export function place(series: PagedSeries, utcMs: number, value: number, overwrite: boolean): Placed {
  const sinceStart = utcMs - series.phaseMinutes * MINUTE_MS;
  const day = Math.floor(sinceStart / DAY_MS);
  const slot = (sinceStart - day * DAY_MS) / (series.stepMinutes * MINUTE_MS);
  let page = series.days.get(day);
  if (!page) {
    page = new Float64Array(Math.round(1440 / series.stepMinutes)).fill(Number.NaN);
    series.days.set(day, page);
  }
  const held = page[slot]!;
  if (Number.isNaN(held)) {
    page[slot] = value;
    return "new";
  }
  if (overwrite) page[slot] = value;
  return held === value ? "same" : "other";
}
