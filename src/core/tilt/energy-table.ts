import type { Site } from "../site";
import { dayBins, monthBins } from "../time";
import { applyWhatIf, type PreparedWeather, runPrepared } from "../yield";
import { DAYS, dayOfText, type TiltStep, tiltByDay } from "./schedule";

export const TILT_STEPS = 91;

/** Energy of the whole site by tilt of one array (rows, 0 to 90 degrees) and day of a common year (columns), kWh; days without weather hold 0. */
export interface EnergyTable {
  readonly kwh: Float64Array;
  /** As the book has the rack, day by day. */
  readonly asIsKwh: Float64Array;
  /** Days of the year for which there was weather. */
  readonly days: number;
}

/** Told after every tilt; false ends the work. */
export type TableProgress = (doneFrac: number) => boolean | Promise<boolean>;

/** Runs the chain of a site at every whole degree of an array's tilt; null when `progress` ended it. */
export async function energyTable(
  site: Site,
  prepared: PreparedWeather,
  arrayId: string,
  progress: TableProgress = () => true,
): Promise<EnergyTable | null> {
  const { axis } = prepared.weather;
  const months = monthBins(axis, site.place.timeZone);
  const days = dayBins(axis, site.place.timeZone);
  const dayOfBin = days.keys.map((key) => dayOfText(key.slice(5)));
  // A day that occurs in several years counts as their mean.
  const times = new Float64Array(DAYS);
  for (const day of dayOfBin) times[day]!++;
  const fold = (stood: Site): Float64Array => {
    const { expectedKwh } = runPrepared(stood, prepared, months);
    const sums = new Float64Array(DAYS);
    for (let i = 0; i < axis.count; i++) if (!Number.isNaN(expectedKwh[i])) sums[dayOfBin[days.binOf[i]!]!]! += expectedKwh[i]!;
    return sums.map((sum, day) => (times[day]! > 0 ? sum / times[day]! : 0));
  };
  const kwh = new Float64Array(TILT_STEPS * DAYS);
  for (let tiltDeg = 0; tiltDeg < TILT_STEPS; tiltDeg++) {
    kwh.set(fold(applyWhatIf(site, { arrayId, tiltDeg })), tiltDeg * DAYS);
    if (!(await progress((tiltDeg + 1) / TILT_STEPS))) return null;
  }
  return { kwh, asIsKwh: fold(site), days: times.filter((n) => n > 0).length };
}

/** Energy of one day at any tilt, straight between whole degrees. */
export function dayKwh({ kwh }: EnergyTable, day: number, tiltDeg: number): number {
  const low = Math.min(TILT_STEPS - 2, Math.max(0, Math.floor(tiltDeg)));
  const at = kwh[low * DAYS + day]!;
  return at + (kwh[(low + 1) * DAYS + day]! - at) * (tiltDeg - low);
}

/** Energy of every day under a schedule. */
export const scheduleKwh = (table: EnergyTable, steps: readonly TiltStep[]): Float64Array =>
  tiltByDay(steps).map((tiltDeg, day) => dayKwh(table, day, tiltDeg));
