export { clearSkyWeather, hoursOfYear, USUAL_LINKE_TURBIDITY } from "./clear-sky-weather";
export { CLIMATES, type Climate, climateMeans } from "./climates";
export { fillColumnGaps, fillGaps } from "./fill-gaps";
export { localYear, type MadeWeather, MEAN_MONTH_DAYS, type MonthlyMeans, weatherFromMeans } from "./monthly-means";
export { skyWithoutFile } from "./sky-without-file";
export { sliceWeather } from "./slice";
export { USUAL_AIR_STANDARD_K, usualAirC, usualDayAirC } from "./usual-air";
export { type BroughtLight, usualMarks, usualSpans } from "./usual-spans";
export { ASSUMED_WIND_MS, ASSUMED_WIND_STANDARD_MS, type FilledWeather, type Weather } from "./weather";
