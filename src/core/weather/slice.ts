import { sliceAxis } from "../series";
import type { Weather } from "./weather";

/** Intervals [from, to) of a weather series; the columns are views, not copies. */
export function sliceWeather(weather: Weather, from: number, to: number): Weather {
  const { axis } = weather;
  const cut = (column: Float64Array | null | undefined): Float64Array | null => column?.subarray(from, to) ?? null;
  return {
    axis: sliceAxis(axis, from, to),
    ghiWm2: cut(weather.ghiWm2),
    dniWm2: cut(weather.dniWm2),
    dhiWm2: cut(weather.dhiWm2),
    poaWm2: cut(weather.poaWm2),
    airTempC: cut(weather.airTempC),
    windSpeedMs: cut(weather.windSpeedMs),
    rainMm: cut(weather.rainMm),
    snowDepthCm: cut(weather.snowDepthCm),
    moduleTempC: cut(weather.moduleTempC),
    albedo: cut(weather.albedo),
  };
}
