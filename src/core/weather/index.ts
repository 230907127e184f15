export { fillColumnGaps, fillGaps } from "./fill-gaps";
export { ASSUMED_AIR_TEMP_C, ASSUMED_WIND_MS, type FilledWeather, type Weather } from "./weather";
