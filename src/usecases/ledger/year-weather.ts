import type { Place } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { HOURS_PER_YEAR } from "@/core/units";
import { type PreparedWeather, prepareWeather } from "@/core/yield";
import { Refusal } from "../refusal";
import { type OpenLedger, rangeOf } from "./open-ledger";

const noWeather = (): Refusal => new Refusal("no-weather", "no-weather");

/** Records are cut to their last years, so that a browser holds them lightly. */
const MOST_YEARS = 10;

/** The last years of a ledger's weather, gaps filled; intervals [from, to) of it. */
export function allWeather(place: Place, { weather }: OpenLedger): { prepared: PreparedWeather; from: number; to: number } {
  if (!weather) throw noWeather();
  const { count, stepMinutes } = weather.axis;
  const most = Math.round((MOST_YEARS * HOURS_PER_YEAR * 60) / stepMinutes);
  return { prepared: prepareWeather(place, weather), from: Math.max(0, count - most), to: count };
}

/** A local year of a ledger's weather, gaps filled over the whole series; intervals [from, to) of it. */
export function yearWeather(place: Place, ledger: OpenLedger, year: number): { prepared: PreparedWeather; from: number; to: number } {
  const { weather } = ledger;
  if (!weather) throw noWeather();
  const offset = zoneOffset(place.timeZone);
  const { from, to } = rangeOf(weather.axis, utcOfWall(Date.UTC(year, 0, 1), offset), utcOfWall(Date.UTC(year + 1, 0, 1), offset));
  if (to <= from) throw new Refusal("no-weather", "no-weather-of-year", { year });
  return { prepared: prepareWeather(place, weather), from: Math.max(0, from), to };
}
