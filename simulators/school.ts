import { partOfSite, type Site } from "@/core/site";
import { type ZoneOffset, zoneOffset } from "@/core/time";
import { MINUTE_MS } from "@/core/units";
import type { SimulatedWeather } from "./climate";
import { type PlantTruth, simulateWithTruth } from "./plant";

/** One side of a trial as it really is, and the meter that watched it. */
export interface TrialSideTruth {
  readonly arrays: readonly string[];
  readonly truth: PlantTruth;
  readonly meterId: string;
  readonly point: "dc" | "ac";
  /** A battery behind the same clamp, ISO instants, half-open. */
  readonly battery?: { readonly from: string; readonly to: string; readonly kwhPerDay: number };
}

export interface TrialTruth {
  /** When the meters of the sides were read, ISO instants, half-open. */
  readonly from: string;
  readonly to: string;
  readonly sides: readonly [TrialSideTruth, TrialSideTruth];
}

export interface SidesRecord {
  /** Both sides at the main meter. */
  readonly energyKwh: Float64Array;
  readonly meters: readonly { readonly meterId: string; readonly kwh: Float64Array }[];
  /** What each side really gave, AC. */
  readonly trueKwh: readonly [Float64Array, Float64Array];
}

/** Plays both sides under one sky, and writes down what their meters showed while the trial ran. */
export function sidesOf(site: Site, { from, to, sides }: TrialTruth, weather: SimulatedWeather): SidesRecord {
  const { axis } = weather;
  const indexOf = (iso: string): number => Math.round((Date.parse(iso) - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS));
  const played = sides.map((side) => ({ side, ...simulateWithTruth(partOfSite(site, side.arrays), side.truth, weather) }));
  const meters = played.map(({ side, energyKwh, dcKwh }) => {
    const kwh = (side.point === "dc" ? dcKwh : energyKwh).slice();
    if (side.battery) {
      const [first, end] = [indexOf(side.battery.from), indexOf(side.battery.to)];
      throughBattery(kwh.subarray(first, end), axis.startUtcMs + first * axis.stepMinutes * MINUTE_MS, axis.stepMinutes, {
        kwhPerDay: side.battery.kwhPerDay,
        offset: zoneOffset(site.place.timeZone),
      });
    }
    for (let i = 0; i < kwh.length; i++) if (i < indexOf(from) || i >= indexOf(to)) kwh[i] = Number.NaN;
    return { meterId: side.meterId, kwh };
  });
  const [a, b] = [played[0]!.energyKwh, played[1]!.energyKwh];
  return { energyKwh: a.map((kwh, i) => kwh + b[i]!), meters, trueKwh: [a, b] };
}

const CHARGE_HOURS = [10, 15] as const;
const DISCHARGE_HOURS = [19, 23] as const;
/** What comes back of what went in. */
const ROUND_TRIP = 0.9;

/** A battery by the clock: it keeps back around noon and gives off in the evening, through the same clamp. */
function throughBattery(
  kwh: Float64Array,
  startUtcMs: number,
  stepMinutes: number,
  { kwhPerDay, offset }: { kwhPerDay: number; offset: ZoneOffset },
): void {
  const hours = stepMinutes / 60;
  let held = 0;
  for (let i = 0; i < kwh.length; i++) {
    const utcMs = startUtcMs + i * stepMinutes * MINUTE_MS;
    const hour = new Date(utcMs + offset(utcMs)).getUTCHours();
    if (Number.isNaN(kwh[i])) continue;
    if (hour >= CHARGE_HOURS[0] && hour < CHARGE_HOURS[1]) {
      const kept = Math.min(kwh[i]!, (kwhPerDay / (CHARGE_HOURS[1] - CHARGE_HOURS[0])) * hours);
      kwh[i] = kwh[i]! - kept;
      held += kept * ROUND_TRIP;
    } else if (hour >= DISCHARGE_HOURS[0] && hour < DISCHARGE_HOURS[1]) {
      const given = Math.min(held, (kwhPerDay / (DISCHARGE_HOURS[1] - DISCHARGE_HOURS[0])) * hours);
      kwh[i] = kwh[i]! + given;
      held -= given;
    }
  }
}
