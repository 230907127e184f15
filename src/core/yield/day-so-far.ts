import type { Site } from "../site";
import { monthBins } from "../time";
import { DAY_MS, MINUTE_MS } from "../units";
import { clearSkyWeather } from "../weather";
import { asleep } from "./moment";
import { runYield } from "./run-yield";

const STEP_MINUTES = 10;

/** Share of a cloudless day's energy that has come by an instant, 0 to 1; `startUtcMs` is the day's local midnight. A day without sun has none to come: 1. */
export function daySoFar(site: Site, startUtcMs: number, untilUtcMs: number): number {
  const { come, all } = cloudlessDay(site, startUtcMs, untilUtcMs);
  return all > 0 ? come / all : 1;
}

/** What a cloudless day has given by an instant, kWh at the meter; `startUtcMs` is the day's local midnight. */
export const cloudlessSoFarKwh = (site: Site, startUtcMs: number, untilUtcMs: number): number =>
  cloudlessDay(site, startUtcMs, untilUtcMs).come;

function cloudlessDay(site: Site, startUtcMs: number, untilUtcMs: number): { readonly come: number; readonly all: number } {
  const axis = { startUtcMs, stepMinutes: STEP_MINUTES, count: DAY_MS / MINUTE_MS / STEP_MINUTES };
  const { expectedKwh } = runYield(asleep(site), clearSkyWeather(axis, site.place), monthBins(axis, site.place.timeZone));
  const steps = (untilUtcMs - startUtcMs) / MINUTE_MS / STEP_MINUTES;
  let [come, all] = [0, 0];
  expectedKwh.forEach((kwh, i) => {
    all += kwh;
    come += kwh * Math.max(0, Math.min(1, steps - i));
  });
  return { come, all };
}
