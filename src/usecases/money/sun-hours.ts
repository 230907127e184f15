import { bandAt, type Plan, type PlanDay, planDay, planOn, type SunHour } from "@/core/money";
import type { TimeAxis } from "@/core/series";
import { intervalsOf, type ZoneOffset, zoneOffset } from "@/core/time";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "@/core/units";
import type { OpenLedger } from "../ledger";

const WHOLE = 0.99;

/** An hour of production with its place on the axis. */
export interface PlacedHour extends SunHour {
  readonly utcMs: number;
}

/** Hours by local month ("2024-03"). */
export type SunHours = Pick<ReadonlyMap<string, readonly PlacedHour[]>, "get" | "has">;

export const NO_SUN_HOURS: SunHours = new Map();

/**
 * Production hour by hour of each local month, with the band that the plan in force holds: metered where hours were read one by one, else as
 * expected. Levels are the month's own affair: callers scale to its sum. A month is laid out when it is
 * first asked for: of a long record few are billed.
 */
export function sunHours({ site, run, metered }: OpenLedger, plans: readonly Plan[]): SunHours {
  if (!run) return NO_SUN_HOURS;
  const { axis, bins, expectedKwh } = run;
  const offset = zoneOffset(site.place.timeZone);
  const months = new Map<string, PlacedHour[]>();
  return {
    has: (key) => bins.keys.includes(key),
    get(key) {
      const bin = bins.keys.indexOf(key);
      if (bin < 0) return undefined;
      const month = months.get(key) ?? monthHours({ axis, expectedKwh, metered, plans, offset }, intervalsOf(bins, bin, bin + 1));
      months.set(key, month);
      return month;
    },
  };
}

interface Ground {
  readonly axis: TimeAxis;
  readonly expectedKwh: Float64Array;
  readonly metered: OpenLedger["metered"];
  readonly plans: readonly Plan[];
  readonly offset: ZoneOffset;
}

function monthHours({ axis, expectedKwh, metered, plans, offset }: Ground, { from, to }: { from: number; to: number }): PlacedHour[] {
  const month: PlacedHour[] = [];
  let today: { dayNumber: number; day: PlanDay | null } = { dayNumber: Number.NaN, day: null };
  for (let i = from; i < to; i++) {
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    const localMs = utcMs + offset(utcMs);
    const dayNumber = Math.floor(localMs / DAY_MS);
    if (dayNumber !== today.dayNumber) {
      const date = new Date(localMs).toISOString().slice(0, 10);
      const plan = planOn(plans, date);
      today = { dayNumber, day: plan && planDay(plan, date) };
    }
    const { day } = today;
    const atHour = (localMs - dayNumber * DAY_MS) / HOUR_MS;
    const isRead = metered !== null && metered.readFrac[i]! > WHOLE && metered.split[i] === 0;
    const pvKwh = Math.max(0, isRead ? metered.kwh[i]! : expectedKwh[i]!);
    month.push({
      utcMs,
      hour: Math.floor(atHour),
      band: (day ? day.season.bands[bandAt(day, atHour)]?.name : undefined) ?? "all",
      pvKwh: Number.isNaN(pvKwh) ? 0 : pvKwh,
    });
  }
  return month;
}

/** The same hours with their sum brought to a month's production. */
export function scaledTo(hours: readonly PlacedHour[], productionKwh: number): PlacedHour[] {
  const sum = hours.reduce((total, { pvKwh }) => total + pvKwh, 0);
  const factor = sum > 0 ? productionKwh / sum : 0;
  return hours.map((hour) => ({ ...hour, pvKwh: hour.pvKwh * factor }));
}
