import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { dayBins } from "../time";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../units";
import { clearSkyWeather } from "../weather";
import { runYield } from "../yield";

/** Output under a cloudless sky for one calendar year in solar days, kWh an interval: what the shape of a good day is set against. */
export interface ClearYear {
  readonly perDay: number;
  /** Index on the series' axis of the first interval of its first solar day; 0 or negative. */
  readonly firstIndex: number;
  readonly kwh: Float64Array;
  /** Row of `kwh` for the solar day d of the series. */
  rowOf(day: number): number;
}

const DAYS = 366;

/** Models the cloudless year at the series' own step; the year is the last of the series, so that the newest revision of the site stands. */
export function clearYear(axis: TimeAxis, site: Site): ClearYear {
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const perDay = 1440 / axis.stepMinutes;
  const solarMs = (site.place.longitudeDeg / 15) * HOUR_MS;
  const sinceMidnight = (((axis.startUtcMs + solarMs) % DAY_MS) + DAY_MS) % DAY_MS;
  const firstIndex = -Math.round(sinceMidnight / stepMs);
  const firstUtcMs = axis.startUtcMs + firstIndex * stepMs;
  const lastYear = new Date(axis.startUtcMs + axis.count * stepMs - DAY_MS).getUTCFullYear();
  const rows = Math.round((Date.UTC(lastYear, 0, 1) - firstUtcMs) / DAY_MS);
  const ownAxis = { startUtcMs: firstUtcMs + rows * DAY_MS, stepMinutes: axis.stepMinutes, count: DAYS * perDay };
  const run = runYield(site, clearSkyWeather(ownAxis, site.place), dayBins(ownAxis, "UTC"));
  return {
    perDay,
    firstIndex,
    kwh: run.expectedKwh,
    rowOf: (day) => {
      const at = firstUtcMs + day * DAY_MS + DAY_MS / 2;
      return Math.min(DAYS - 1, Math.floor((at - Date.UTC(new Date(at).getUTCFullYear(), 0, 1)) / DAY_MS));
    },
  };
}
