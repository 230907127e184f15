import type { TimeAxis } from "../series";
import { DAY_MS, DAYS_PER_YEAR, degToRad, HOUR_MS, MINUTE_MS } from "../units";

/** Where the air is asked for. */
export interface AirPlace {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
}

/** Fall of temperature with height, K a metre: its mean, and what the warmest season has more; winters hold cold air in the valleys. Source: Rolland, 2003, Spatial and seasonal variations of air temperature lapse rates in Alpine regions. */
const LAPSE_K_PER_M = { mean: 0.0055, season: 0.001 } as const;
/**
 * Yearly mean at sea level, C, at the equator and its fall to the pole with the square of the latitude's sine: a line through the lowlands where
 * people live, which are warmer than their latitude round the globe. Form: North, Cahalan & Coakley, 1981, Energy balance climate models.
 */
const SEA_LEVEL_C = { equator: 27.5, toPole: -29 } as const;
/** Half of a year's swing over the latitude's sine, K: wide over the lands of the north, narrow between the seas of the south. Source: Legates & Willmott, 1990, Mean seasonal and spatial variability in global surface air temperature. */
const SWING_K = { north: 17, south: 11 } as const;
/** The warmest day comes about a month after the longest. */
const WARMEST_DAY = { north: 203, south: 20 } as const;
/** Half of a day's swing, K, and its warmest solar hour. Source: Linacre, 1992, Climate data and resources. */
const DAILY_SWING_K = 4.5;
const WARMEST_SOLAR_HOUR = 15;
/** What the guess may be off, one deviation, K: the scatter of land stations about such laws. */
export const USUAL_AIR_STANDARD_K = 5;

/** Usual air of a day of the year (1 to 366) at a place, C: latitude, season, height. Rough, within some 5 K. */
export function usualDayAirC({ latitudeDeg, elevationM }: Omit<AirPlace, "longitudeDeg">, dayOfYear: number): number {
  const half = latitudeDeg < 0 ? "south" : "north";
  const sine = Math.abs(Math.sin(degToRad(latitudeDeg)));
  const season = Math.cos((2 * Math.PI * (dayOfYear - WARMEST_DAY[half])) / DAYS_PER_YEAR);
  return (
    SEA_LEVEL_C.equator +
    SEA_LEVEL_C.toPole * sine ** 2 -
    (LAPSE_K_PER_M.mean + LAPSE_K_PER_M.season * season) * elevationM +
    SWING_K[half] * sine * season
  );
}

/** Usual air of each step of an axis, C, for a place that has no thermometer. */
export function usualAirC(axis: TimeAxis, place: AirPlace): Float64Array {
  const perDay = Math.max(1, Math.round(DAY_MS / (axis.stepMinutes * MINUTE_MS)));
  const out = new Float64Array(axis.count);
  let dayC = Number.NaN;
  for (let i = 0; i < axis.count; i++) {
    const utcMs = axis.startUtcMs + (i + 0.5) * axis.stepMinutes * MINUTE_MS;
    if (i % perDay === 0) {
      const dayOfYear = (utcMs - Date.UTC(new Date(utcMs).getUTCFullYear(), 0, 1)) / DAY_MS + 1;
      dayC = usualDayAirC(place, dayOfYear);
    }
    const solarHour = (utcMs % DAY_MS) / HOUR_MS + place.longitudeDeg / 15;
    out[i] = dayC + DAILY_SWING_K * Math.cos(((solarHour - WARMEST_SOLAR_HOUR) * Math.PI) / 12);
  }
  return out;
}
