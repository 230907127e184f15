import { assertOnAxis } from "../series";
import type { Place } from "../site";
import { runSun, type SunColumns, type SunOver, sunOver } from "../sun";
import { type FilledWeather, fillGaps, type Weather } from "../weather";

/** Weather made ready for a place: the sun over its axis, and its gaps filled by rule. Good for every site that stands there. */
export interface PreparedWeather {
  readonly sun: SunColumns;
  readonly weather: FilledWeather;
}

/** Throws a RangeError when columns differ in length. */
export function prepareWeather(place: Place, weather: Weather, sun = runSun(weather.axis, place)): PreparedWeather {
  const { axis } = weather;
  assertOnAxis(axis, { ghi: weather.ghiWm2, dni: weather.dniWm2, dhi: weather.dhiWm2, poa: weather.poaWm2 });
  return { sun, weather: fillGaps(weather, place, () => sun) };
}

/** Weather made ready for one run alone, whose sun need not be had whole. */
export interface PassingWeather {
  readonly sun: SunOver;
  readonly weather: FilledWeather;
}

/** Throws a RangeError when columns differ in length. */
export function passWeather(place: Place, weather: Weather): PassingWeather {
  const { axis } = weather;
  assertOnAxis(axis, { ghi: weather.ghiWm2, dni: weather.dniWm2, dhi: weather.dhiWm2, poa: weather.poaWm2 });
  const sun = sunOver(axis, place);
  return { sun, weather: fillGaps(weather, place, sun.whole) };
}
