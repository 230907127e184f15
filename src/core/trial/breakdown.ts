import type { TimeAxis } from "../series";
import type { CalendarBins } from "../time";
import { type ZoneOffset, zoneOffset } from "../time";
import { MINUTE_MS } from "../units";
import type { PairedSums } from "./difference";

/** Both sides over paired intervals only, by one property of the interval. */
export interface Group extends PairedSums {
  readonly key: string;
  readonly hours: number;
}

/** What two sides gave a kilowatt-peak in each interval; NaN where either is missing. */
export interface Paired {
  readonly axis: TimeAxis;
  readonly a: Float64Array;
  readonly b: Float64Array;
}

function grouped({ axis, a, b }: Paired, keys: readonly string[], keyOf: (i: number) => number): Group[] {
  const sums = keys.map((key) => ({ key, a: 0, b: 0, hours: 0 }));
  for (let i = 0; i < axis.count; i++) {
    if (Number.isNaN(a[i]! + b[i]!)) continue;
    const sum = sums[keyOf(i)];
    if (!sum) continue;
    sum.a += a[i]!;
    sum.b += b[i]!;
    sum.hours += axis.stepMinutes / 60;
  }
  return sums;
}

export const byBin = (paired: Paired, bins: CalendarBins): Group[] => grouped(paired, bins.keys, (i) => bins.binOf[i]!);

/** By the site's clock hour. */
export function byHour(paired: Paired, timeZone: string): Group[] {
  const offset: ZoneOffset = zoneOffset(timeZone);
  const { axis } = paired;
  const hourOf = (i: number): number => {
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    return new Date(utcMs + offset(utcMs)).getUTCHours();
  };
  return grouped(
    paired,
    Array.from({ length: 24 }, (_, h) => String(h)),
    hourOf,
  ).filter(({ a, b }) => a + b > 0);
}

/** Steps of light in the plane of the first side, W/m2. */
const LIGHT_STEP_WM2 = 200;
const LIGHT_STEPS = 6;

/** By light: `lightWm2` on the same axis. */
export const byLight = (paired: Paired, lightWm2: Float64Array): Group[] =>
  grouped(
    paired,
    Array.from({ length: LIGHT_STEPS }, (_, k) => String(k * LIGHT_STEP_WM2)),
    (i) => (lightWm2[i]! > 0 ? Math.min(LIGHT_STEPS - 1, Math.floor(lightWm2[i]! / LIGHT_STEP_WM2)) : -1),
  ).filter(({ hours }) => hours > 0);
