import { medianOf } from "../statistics";
import { DAY_MS, MINUTE_MS } from "../units";

/** A day counter falls about once in a day: so many times at the least, of the days that its rows fill; a day without light has no fall. */
const LEAST_FALLS_A_DAY = 0.5;
/** And so far apart as a rule, minutes: rows may be written in daylight only, and energies of intervals fall many times a day. */
const LEAST_APART_MINUTES = 240;
/** What it shows just after it began anew, of what it showed before: next to nothing. */
const MOST_AFTER_FRAC = 0.1;
/** A counter of a lifetime that is written down by hand falls where a digit was mistaken: seldom. One day in five is no mistake. */
const LEAST_HAND_FALLS_FRAC = 0.2;
const LEAST_FALLS = 2;
const DAY_MINUTES = DAY_MS / MINUTE_MS;

/**
 * Whether numbers that rise are those of a counter that begins anew every day, as "energy today" on a display does. `values` in order of time, a
 * step apart; with rows a day or more apart only a column called a counter can be told from energies, which rise and fall as well.
 */
export function beginsAnewDaily(values: readonly number[], stepMinutes: number | null, isCalledCounter: boolean): boolean {
  const falls = values.flatMap((value, i) => (i > 0 && value < values[i - 1]! ? [i] : []));
  if (falls.length < LEAST_FALLS) return false;
  if (stepMinutes === null || stepMinutes > DAY_MINUTES / 2)
    return isCalledCounter && falls.length >= LEAST_HAND_FALLS_FRAC * values.length;
  const days = (values.length * stepMinutes) / DAY_MINUTES;
  const apart = medianOf(falls.slice(1).map((i, k) => (i - falls[k]!) * stepMinutes));
  const anew = falls.filter((i) => values[i]! <= MOST_AFTER_FRAC * values[i - 1]!).length;
  return falls.length >= LEAST_FALLS_A_DAY * Math.floor(days) && apart >= LEAST_APART_MINUTES && 2 * anew > falls.length;
}

/** Energy between two readings of such a counter, kWh: what it shows where it began anew between them; NaN where either is missing. */
export const dayCounterStepKwh = (nowKwh: number, nextKwh: number): number => (nextKwh >= nowKwh ? nextKwh - nowKwh : nextKwh + 0 * nowKwh);
