import { DAY_MS, MINUTE_MS } from "@/core/units";
import type { PagedSeries } from "@/formats/tabular/series";
import type { LiveColumn } from "./live-column";

/** Day pages as one column. */
export function joinPages({ days, quantity, stepMinutes, phaseMinutes }: PagedSeries): LiveColumn {
  const [first, last] = [Math.min(...days.keys()), Math.max(...days.keys())];
  const perDay = 1440 / stepMinutes;
  const values = new Float64Array((last - first + 1) * perDay).fill(Number.NaN);
  for (const [day, page] of days) values.set(page, (day - first) * perDay);
  return { quantity, startUtcMs: first * DAY_MS + phaseMinutes * MINUTE_MS, stepMinutes, values };
}
