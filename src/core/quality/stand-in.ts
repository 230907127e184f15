import { indexAt } from "../series";
import { medianOf } from "../statistics";
import { MINUTE_MS } from "../units";
import { type Examined, startOf } from "./examined";
import type { ExpectedSeries } from "./expected";
import type { Finding } from "./finding";

/** Dull hours: what owes less than this share of rated output while the sun stands high. A building or a tree before a low sun does not touch them. */
const DULL_LOAD = { from: 0.04, to: 0.25 } as const;
const HIGH_SUN = 0.3;
/** Bright hours: what a house takes of them is a small part. */
const BRIGHT_LOAD = 0.5;
/** Days that another meter stands in at least: a month, for which a grid company reads one; fewer are a dull spell. */
const LEAST_DAYS = 30;
/** A day counts for another meter below this share of its usual dull output, and against it above. */
const LIKELY_FRAC = 0.8;
/** Dull hours keep less than this of the usual inside, and more than the other outside. */
const INSIDE_FRAC = 0.7;
const OUTSIDE_FRAC = 0.85;
/** Bright hours lose less than this share of what dull hours lose: use is taken off, not a share of output. */
const BRIGHT_TO_DULL = 0.6;
/** Share of the days inside whose dull hours are low. */
const EVERY_DAY_FRAC = 0.75;
const MOST_SCORE = 0.4;

interface DayLevels {
  readonly day: number;
  /** Metered over owed in dull hours, and in bright ones; NaN where a day has none. */
  readonly dull: number;
  readonly bright: number;
  /** What an hour of either kind owes, kWh. */
  readonly dullOwedKwh: number;
  readonly brightOwedKwh: number;
}

/**
 * A stretch in which the meter of what is left for the grid stands in for that of production, as when the latter died: what the house used is missing from every hour alike,
 * so that dull hours lose most of their energy and bright ones little. Snow and faults take a share of all, shade leaves dull hours alone.
 */
export function findStandIn(x: Examined, expected: ExpectedSeries | null): Finding[] {
  if (!expected || x.axis.stepMinutes > 60) return [];
  const days = dayLevels(x, expected);
  const told = days.filter(({ dull }) => !Number.isNaN(dull));
  if (told.length < 3 * LEAST_DAYS) return [];
  const usual = medianOf(told.map(({ dull }) => dull));
  if (!(usual > 0)) return [];
  const [from, to] = likeliest(told.map(({ dull }) => Math.max(-MOST_SCORE, Math.min(MOST_SCORE, LIKELY_FRAC - dull / usual))));
  const inside = told.slice(from, to);
  const outside = ofSameSeason([...told.slice(0, from), ...told.slice(to)], inside);
  if (inside.length < LEAST_DAYS || outside.length < LEAST_DAYS) return [];
  const middle = (own: readonly DayLevels[], of: Exclude<keyof DayLevels, "day">): number =>
    medianOf(own.map((level) => level[of]).filter((value) => !Number.isNaN(value)));
  const [dullFrac, brightFrac] = [middle(inside, "dull") / middle(outside, "dull"), middle(inside, "bright") / middle(outside, "bright")];
  if (!(dullFrac < INSIDE_FRAC) || !(middle(outside, "dull") / usual > OUTSIDE_FRAC)) return [];
  // What is used is missing from bright hours as well: nearer to as much than to nothing.
  const [missingDull, missingBright] = [(1 - dullFrac) * middle(inside, "dullOwedKwh"), (1 - brightFrac) * middle(inside, "brightOwedKwh")];
  if (!(missingBright > missingDull / 2)) return [];
  // A house uses something every day; snow and a clock that is off spare days between.
  const lowDays = inside.filter(({ dull }) => dull < LIKELY_FRAC * usual).length;
  if (lowDays < EVERY_DAY_FRAC * inside.length || !(1 - brightFrac < BRIGHT_TO_DULL * (1 - dullFrac))) return [];
  const { firstIndex, perDay } = x.days;
  const at = (day: number): number => startOf(x, Math.max(0, Math.min(x.energyKwh.length, firstIndex + day * perDay)));
  const stretch = { fromUtcMs: at(inside[0]!.day), toUtcMs: at(inside.at(-1)!.day + 1) };
  return [
    {
      kind: "looks-export",
      ...stretch,
      count: (inside.at(-1)!.day + 1 - inside[0]!.day) * perDay,
      kwh: null,
      confidenceFrac: 0.9,
      facts: { days: inside.length, dullFrac, brightFrac, isStandIn: "yes" },
      remedy: { op: "drop", ...stretch },
    },
  ];
}

const YEAR_DAYS = 365.25;

/** Days of other years at the time of year of those inside, where there are enough: a winter's low sun and snow come back, a meter that stands in does not. */
function ofSameSeason(outside: readonly DayLevels[], inside: readonly DayLevels[]): readonly DayLevels[] {
  const [first, last] = [inside[0]?.day ?? 0, inside.at(-1)?.day ?? 0];
  const own = outside.filter(({ day }) => {
    const years = Math.round((day - (first + last) / 2) / YEAR_DAYS);
    const there = day - years * YEAR_DAYS;
    return years !== 0 && there >= first && there <= last;
  });
  return own.length < LEAST_DAYS ? outside : own;
}

/** Metered over owed by solar day, in dull hours under a high sun and in bright ones. */
function dayLevels(x: Examined, expected: ExpectedSeries): DayLevels[] {
  const { firstIndex, perDay, count } = x.days;
  const perStep = Math.max(1, Math.round(expected.axis.stepMinutes / x.axis.stepMinutes));
  const ratedKwh = x.ratedKwh * perStep;
  return Array.from({ length: count }, (_, day): DayLevels => {
    const sums = { dullOwed: 0, dull: 0, dullHours: 0, brightOwed: 0, bright: 0, brightHours: 0 };
    for (let i = firstIndex + day * perDay; i + perStep <= firstIndex + (day + 1) * perDay; i += perStep) {
      if (i < 0 || i + perStep > x.energyKwh.length) continue;
      const owed = expected.kwh[indexAt(expected.axis, x.axis.startUtcMs + i * x.axis.stepMinutes * MINUTE_MS)] ?? Number.NaN;
      let metered = 0;
      for (let k = i; k < i + perStep; k++) metered += x.energyKwh[k]!;
      if (Number.isNaN(metered) || Number.isNaN(owed)) continue;
      const load = owed / ratedKwh;
      if (load > BRIGHT_LOAD) {
        sums.brightOwed += owed;
        sums.bright += metered;
        sums.brightHours++;
      } else if (load > DULL_LOAD.from && load < DULL_LOAD.to && x.sun.up[i]! > HIGH_SUN) {
        sums.dullOwed += owed;
        sums.dull += metered;
        sums.dullHours++;
      }
    }
    return {
      day,
      dull: sums.dullOwed > 0 ? sums.dull / sums.dullOwed : Number.NaN,
      bright: sums.brightOwed > 0 ? sums.bright / sums.brightOwed : Number.NaN,
      dullOwedKwh: sums.dullHours > 0 ? sums.dullOwed / sums.dullHours : Number.NaN,
      brightOwedKwh: sums.brightHours > 0 ? sums.brightOwed / sums.brightHours : Number.NaN,
    };
  });
}

/** The stretch [from, to) with the greatest sum. Source: Bentley, 1984, Programming pearls: algorithm design techniques. */
function likeliest(scores: readonly number[]): readonly [number, number] {
  let [best, from, to] = [0, 0, 0];
  let [sum, start] = [0, 0];
  scores.forEach((score, k) => {
    if (sum <= 0) [sum, start] = [0, k];
    sum += score;
    if (sum > best) [best, from, to] = [sum, start, k + 1];
  });
  return [from, to];
}
