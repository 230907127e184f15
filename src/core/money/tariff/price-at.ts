import { DAY_MS } from "../../units";
import { Exact } from "../exact";
import { inHours } from "./plan-checks";
import type { BandDays, Plan, Season } from "./types";

/** A date's place in a plan's calendar. */
export interface PlanDay {
  readonly season: Season;
  readonly isWeekend: boolean;
}

/** Season of a local date, and whether it counts as a weekend day. Null where no season holds its month. */
export function planDay(plan: Plan, date: string): PlanDay | null {
  const month = Number(date.slice(5, 7));
  const season = plan.seasons.find(({ months }) => months.includes(month));
  return season ? { season, isWeekend: isWeekend(plan, date) } : null;
}

export function isWeekend({ holidays }: Pick<Plan, "holidays">, date: string): boolean {
  const weekday = (Math.floor(Date.parse(date) / DAY_MS) + 4) % 7;
  return weekday === 0 || weekday === 6 || holidays.includes(date) || holidays.includes(date.slice(5));
}

export const holdsOn = (days: BandDays, isWeekendDay: boolean): boolean => days === "all" || (days === "weekends") === isWeekendDay;

/** Number of the band in its season that holds at a local hour; a band without hours takes what no other holds. */
export function bandAt({ season, isWeekend: weekend }: PlanDay, hour: number): number {
  const at = season.bands.findIndex((band) => holdsOn(band.days, weekend) && inHours(band, hour));
  return at >= 0 ? at : season.bands.findIndex((band) => band.hours.length === 0 && holdsOn(band.days, weekend));
}

/** The plan in force on a date: of those that have begun and not ended, the latest. */
export const planOn = (plans: readonly Plan[], date: string): Plan | null =>
  plans
    .filter(({ from, to }) => from <= date && (to === null || date <= to))
    .reduce<Plan | null>((latest, plan) => (latest === null || plan.from > latest.from ? plan : latest), null);

/** Growth of a plan's prices by a date: one rise at each anniversary of its start. */
export function riseOn({ from, risePerYearFrac }: Plan, date: string): Exact {
  if (risePerYearFrac === 0) return new Exact(1);
  const years = Number(date.slice(0, 4)) - Number(from.slice(0, 4)) - (date.slice(5) < from.slice(5) ? 1 : 0);
  return new Exact(1).plus(risePerYearFrac).pow(Math.max(0, years));
}

/** Local dates from one to another, both included. */
export function datesBetween(from: string, to: string): string[] {
  const out: string[] = [];
  for (let ms = Date.parse(from); ms <= Date.parse(to); ms += DAY_MS) out.push(new Date(ms).toISOString().slice(0, 10));
  return out;
}

export const daysInMonth = (date: string): number => new Date(Date.UTC(Number(date.slice(0, 4)), Number(date.slice(5, 7)), 0)).getUTCDate();
