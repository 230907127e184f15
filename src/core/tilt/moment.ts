import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { monthBins } from "../time";
import { MINUTE_MS } from "../units";
import { clearSkyWeather } from "../weather";
import { applyWhatIf, runYield } from "../yield";

export interface Moment {
  readonly utcMs: number;
  /** Measured on the level, W/m2; null: a cloudless sky. */
  readonly ghiWm2: number | null;
  readonly airTempC: number;
}

/** Power expected of one array at a moment, W at the meter, for each of some tilts; what its inverter would make of it alone. */
export function momentPowerW(site: Site, arrayId: string, moment: Moment, tiltsDeg: readonly number[]): number[] {
  const axis: TimeAxis = { startUtcMs: moment.utcMs - MINUTE_MS / 2, stepMinutes: 1, count: 1 };
  const clear = clearSkyWeather(axis, site.place);
  const weather = {
    ...clear,
    ...(moment.ghiWm2 === null ? {} : { ghiWm2: Float64Array.of(moment.ghiWm2), dniWm2: null, dhiWm2: null }),
    airTempC: Float64Array.of(moment.airTempC),
  };
  const alone: Site = {
    ...site,
    arrays: site.arrays.filter((array) => array.id === arrayId),
    inverters: site.inverters.map((inverter) => ({ ...inverter, nightDrawW: 0 })),
  };
  const bins = monthBins(axis, site.place.timeZone);
  return tiltsDeg.map((tiltDeg) => (runYield(applyWhatIf(alone, { arrayId, tiltDeg }), weather, bins).expectedKwh[0] ?? 0) * 60_000);
}
