import type { Site } from "../site";
import { monthBins, zoneOffset } from "../time";
import { MINUTE_MS } from "../units";
import type { PreparedWeather } from "./prepare";
import { runPrepared } from "./run-yield";

/** Mean power at the meter by calendar month (January first) and clock hour of the site, kW; months without weather are 0. */
export function hourProfile(site: Site, prepared: PreparedWeather): number[][] {
  const { axis } = prepared.weather;
  const { expectedKwh } = runPrepared(site, prepared, monthBins(axis, site.place.timeZone));
  const offset = zoneOffset(site.place.timeZone);
  const sums = Array.from({ length: 12 }, () => new Array<number>(24).fill(0));
  const hours = Array.from({ length: 12 }, () => new Array<number>(24).fill(0));
  for (let i = 0; i < axis.count; i++) {
    if (Number.isNaN(expectedKwh[i])) continue;
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    const local = new Date(utcMs + offset(utcMs));
    sums[local.getUTCMonth()]![local.getUTCHours()]! += expectedKwh[i]!;
    hours[local.getUTCMonth()]![local.getUTCHours()]! += axis.stepMinutes / 60;
  }
  return sums.map((row, m) => row.map((kwh, h) => (hours[m]![h]! > 0 ? kwh / hours[m]![h]! : 0)));
}
