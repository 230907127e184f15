import { zoneOffset } from "../time";
import { HOUR_MS } from "../units";
import { clearSkyWeather, hoursOfYear } from "./clear-sky-weather";
import { type Climate, climateMeans } from "./climates";
import { type MeansPlace, weatherFromMeans } from "./monthly-means";
import type { Weather } from "./weather";

/** A common year, for hours that belong to none. */
const ANY_YEAR = 2025;

/** A year of hours where nobody brought any: of a climate, which is right for a usual year within some 15 %, or cloudless (null), which is the most there can be. */
export function skyWithoutFile(climate: Climate | null, place: MeansPlace & { readonly elevationM: number }, year = ANY_YEAR): Weather {
  if (climate === null) {
    const offsetHours = Math.round(zoneOffset(place.timeZone)(Date.UTC(year, 0, 1)) / HOUR_MS);
    return clearSkyWeather(hoursOfYear(year, offsetHours), place);
  }
  const { axis, ghiWm2, airTempC } = weatherFromMeans(climateMeans(climate, place), year, place);
  return { axis, ghiWm2, airTempC, dniWm2: null, dhiWm2: null, poaWm2: null, windSpeedMs: null };
}
