import type { TimeAxis } from "../series";
import { dayBins, zoneOffset } from "../time";
import { HOUR_MS } from "../units";

export const HOURS = 24;
/** Hours of the day in each month of the year, January first. */
export const CELLS = 12 * HOURS;
const WEEK_DAYS = 7;

/** Bins of an axis of hours in the clock of its place. */
export interface HourBins {
  /** Month of the year x hour of the day. */
  readonly cellOf: Uint16Array;
  readonly weekOf: Uint16Array;
  /** Week of the record x hour of the day. */
  readonly hourOfWeekOf: Uint16Array;
  readonly weeks: number;
}

export function hourBins(axis: TimeAxis, timeZone: string): HourBins {
  const offset = zoneOffset(timeZone);
  const days = dayBins(axis, timeZone);
  const cellOf = new Uint16Array(axis.count);
  for (let t = 0; t < axis.count; t++) {
    const utcMs = axis.startUtcMs + t * HOUR_MS;
    const wall = new Date(utcMs + offset(utcMs));
    cellOf[t] = wall.getUTCMonth() * HOURS + wall.getUTCHours();
  }
  const weekOf = days.binOf.map((day) => Math.floor(day / WEEK_DAYS));
  const hourOfWeekOf = weekOf.map((week, t) => week * HOURS + (cellOf[t]! % HOURS));
  return { cellOf, weekOf, hourOfWeekOf, weeks: Math.ceil(days.keys.length / WEEK_DAYS) };
}
