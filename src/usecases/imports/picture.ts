import type { ImportPreview } from "@/contracts/imports";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import { monthBins, zoneOffset } from "@/core/time";
import { HOUR_MS, MINUTE_MS } from "@/core/units";
import type { StoredSeries } from "../ledger";
import type { Inspection } from "./inspect";
import { joinPages, type MeteredPages } from "./join-pages";

type Picture = Pick<ImportPreview, "dayShape" | "monthly">;

const brief = (value: number): number => Number(value.toPrecision(5));

/** A file at a glance: its mean day by hour of the site's clock and its months, so that a person sees whether it was read right. */
export function pictureOf(found: Inspection, timeZone: string): Picture {
  const pages = found.kind === "modules" ? allTogether(found.series) : found.series[0];
  const series = pages ? joinPages(pages) : null;
  if (!series) return { dayShape: [], monthly: monthsOfSpans(found, timeZone) };
  const production = found.kind !== "weather";
  const values =
    found.kind === "production" ? energyKwh(series.values, series.quantity as ProductionQuantity, series.axis.stepMinutes) : series.values;
  return { dayShape: shapeOf(series, values, timeZone, production), monthly: monthsOf(series, values, timeZone, production) };
}

/** Columns of many modules as one. */
function allTogether(series: readonly MeteredPages[]): MeteredPages | undefined {
  const [first] = series;
  if (!first) return undefined;
  const days = new Map<number, Float64Array>();
  for (const pages of series)
    for (const [day, page] of pages.days) {
      const sum = days.get(day);
      if (!sum) days.set(day, page.slice());
      else
        page.forEach((kwh, i) => {
          if (!Number.isNaN(kwh)) sum[i] = (Number.isNaN(sum[i]!) ? 0 : sum[i]!) + kwh;
        });
    }
  return { ...first, days };
}

function shapeOf({ axis }: StoredSeries, values: Float64Array, timeZone: string, sums: boolean): (number | null)[] {
  const offset = zoneOffset(timeZone);
  const [total, count] = [new Float64Array(24), new Float64Array(24)];
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    if (Number.isNaN(value)) continue;
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    const hour = Math.floor((utcMs + offset(utcMs)) / HOUR_MS) % 24;
    total[hour]! += value;
    count[hour]! += 1;
  }
  const perHour = sums ? 60 / axis.stepMinutes : 1;
  return [...total].map((sum, hour) => (count[hour]! > 0 ? brief((sum / count[hour]!) * perHour) : null));
}

function monthsOf({ axis }: StoredSeries, values: Float64Array, timeZone: string, sums: boolean): Picture["monthly"] {
  const bins = monthBins(axis, timeZone);
  const [total, count] = [new Float64Array(bins.keys.length), new Float64Array(bins.keys.length)];
  for (let i = 0; i < values.length; i++) {
    if (Number.isNaN(values[i])) continue;
    total[bins.binOf[i]!]! += values[i]!;
    count[bins.binOf[i]!]! += 1;
  }
  return bins.keys.flatMap((key, bin) => (count[bin]! > 0 ? [{ key, value: brief(sums ? total[bin]! : total[bin]! / count[bin]!) }] : []));
}

function monthsOfSpans({ sparse }: Inspection, timeZone: string): Picture["monthly"] {
  const offset = zoneOffset(timeZone);
  const sums = new Map<string, number>();
  for (const { fromUtcMs, kwh } of sparse.spans) {
    const key = new Date(fromUtcMs + offset(fromUtcMs)).toISOString().slice(0, 7);
    sums.set(key, (sums.get(key) ?? 0) + kwh);
  }
  return [...sums].sort().map(([key, value]) => ({ key, value: brief(value) }));
}
