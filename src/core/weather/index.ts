export { clearSkyWeather, hoursOfYear, USUAL_LINKE_TURBIDITY } from "./clear-sky-weather";
export { fillColumnGaps, fillGaps } from "./fill-gaps";
export { type MadeWeather, type MonthlyMeans, weatherFromMeans } from "./monthly-means";
export { sliceWeather } from "./slice";
export { ASSUMED_AIR_TEMP_C, ASSUMED_WIND_MS, type FilledWeather, type Weather } from "./weather";
