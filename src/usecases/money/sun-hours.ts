import { bandAt, type Plan, type PlanDay, planDay, planOn, type SunHour } from "@/core/money";
import { zoneOffset } from "@/core/time";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "@/core/units";
import type { OpenLedger } from "../ledger";

const WHOLE = 0.99;

/** An hour of production with its place on the axis. */
export interface PlacedHour extends SunHour {
  readonly utcMs: number;
}

export type SunHours = ReadonlyMap<string, readonly PlacedHour[]>;

/**
 * Production hour by hour of each local month, with the band that the plan in force holds: metered where hours were read one by one, else as
 * expected. Levels are the month's own affair: callers scale to its sum.
 */
export function sunHours({ site, run, weather, metered }: OpenLedger, plans: readonly Plan[]): SunHours {
  const months = new Map<string, PlacedHour[]>();
  if (!run || !weather) return months;
  const { axis } = weather;
  const offset = zoneOffset(site.place.timeZone);
  let today: { dayNumber: number; day: PlanDay | null; month: PlacedHour[] } = { dayNumber: Number.NaN, day: null, month: [] };
  for (let i = 0; i < axis.count; i++) {
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    const localMs = utcMs + offset(utcMs);
    const dayNumber = Math.floor(localMs / DAY_MS);
    if (dayNumber !== today.dayNumber) {
      const date = new Date(localMs).toISOString().slice(0, 10);
      const plan = planOn(plans, date);
      const month = months.get(date.slice(0, 7)) ?? [];
      months.set(date.slice(0, 7), month);
      today = { dayNumber, day: plan && planDay(plan, date), month };
    }
    const { day, month } = today;
    const atHour = (localMs - dayNumber * DAY_MS) / HOUR_MS;
    const isRead = metered !== null && metered.readFrac[i]! > WHOLE && metered.split[i] === 0;
    const pvKwh = Math.max(0, isRead ? metered.kwh[i]! : run.expectedKwh[i]!);
    month.push({
      utcMs,
      hour: Math.floor(atHour),
      band: (day ? day.season.bands[bandAt(day, atHour)]?.name : undefined) ?? "all",
      pvKwh: Number.isNaN(pvKwh) ? 0 : pvKwh,
    });
  }
  return months;
}

/** The same hours with their sum brought to a month's production. */
export function scaledTo(hours: readonly PlacedHour[], productionKwh: number): PlacedHour[] {
  const sum = hours.reduce((total, { pvKwh }) => total + pvKwh, 0);
  const factor = sum > 0 ? productionKwh / sum : 0;
  return hours.map((hour) => ({ ...hour, pvKwh: hour.pvKwh * factor }));
}
