import type { MeterMonths } from "@/contracts/meter-months";
import { energyKwh, type MeteredSpan, type ProductionQuantity } from "@/core/readings";
import type { Site } from "@/core/site";
import { monthBins, zoneOffset } from "@/core/time";
import { DAY_MS } from "@/core/units";
import type { StoredSeries } from "../ledger";

/** A month counts where it was read nearly whole. */
const WHOLE_FRAC = 0.97;
/** A span is a month where its ends lie this near to the month's, days: a counter is read when somebody has time. */
const NEAR_DAYS = 0.5;

/** Whole months of each production meter: of intervals, and of totals that were typed or brought. A total stands over intervals of the same month. */
export function meterMonths(site: Site, production: readonly StoredSeries[], spans: readonly MeteredSpan[]): MeterMonths {
  const { timeZone } = site.place;
  return site.meters
    .filter(({ point }) => point === "ac" || point === "dc")
    .map(({ id }) => {
      const series = production.filter(({ meterId }) => meterId === id).flatMap((own) => ofIntervals(own, timeZone));
      const typed = spans.filter(({ meterId }) => meterId === id).flatMap((span) => ofSpan(span, timeZone));
      const months = new Map([...series, ...typed]);
      return { meterId: id, months: [...months].sort(([x], [y]) => (x < y ? -1 : 1)).map(([key, kwh]) => ({ key, kwh })) };
    })
    .filter(({ months }) => months.length > 0);
}

function ofIntervals({ values, quantity, axis }: StoredSeries, timeZone: string): [string, number][] {
  const kwh = energyKwh(values, quantity as ProductionQuantity, axis.stepMinutes);
  const { keys, binOf } = monthBins(axis, timeZone);
  const [sums, read] = [new Float64Array(keys.length), new Float64Array(keys.length)];
  kwh.forEach((value, i) => {
    const month = binOf[i]!;
    if (Number.isNaN(value) || month >= keys.length) return;
    sums[month]! += value;
    read[month]!++;
  });
  return keys.flatMap((key, m): [string, number][] => (read[m]! >= WHOLE_FRAC * stepsIn(key, axis.stepMinutes) ? [[key, sums[m]!]] : []));
}

const stepsIn = (key: string, stepMinutes: number): number =>
  (new Date(Date.UTC(Number(key.slice(0, 4)), Number(key.slice(5, 7)), 0)).getUTCDate() * 1440) / stepMinutes;

/** The month that a span is, if it is one. */
function ofSpan({ fromUtcMs, toUtcMs, kwh }: MeteredSpan, timeZone: string): [string, number][] {
  const offset = zoneOffset(timeZone);
  const [from, to] = [fromUtcMs + offset(fromUtcMs), toUtcMs + offset(toUtcMs)];
  const middle = new Date((from + to) / 2);
  const [year, month] = [middle.getUTCFullYear(), middle.getUTCMonth()];
  const isMonth =
    Math.abs(from - Date.UTC(year, month, 1)) <= NEAR_DAYS * DAY_MS && Math.abs(to - Date.UTC(year, month + 1, 1)) <= NEAR_DAYS * DAY_MS;
  return isMonth ? [[middle.toISOString().slice(0, 7), kwh]] : [];
}
