import { type ClearSky, ineichenPerez } from "../irradiance";
import type { TimeAxis } from "../series";
import { pressurePa, relativeAirMass, runSun } from "../sun";
import { HOUR_MS, radToDeg } from "../units";
import type { Weather } from "./weather";

/** Turbidity taken for a place of which nothing is known. Source: Ineichen & Perez, 2002 (clean rural air, 2 to 4). */
export const USUAL_LINKE_TURBIDITY = 3;

interface Spot {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
}

/** Cloudless weather of a place; air and wind are left to the chain's assumptions. */
export function clearSkyWeather(axis: TimeAxis, place: Spot, linkeTurbidity = USUAL_LINKE_TURBIDITY): Weather {
  const sun = runSun(axis, place);
  const column = (): Float64Array => new Float64Array(axis.count);
  const [ghiWm2, dniWm2, dhiWm2] = [column(), column(), column()];
  const pressureFrac = pressurePa(place.elevationM) / 101_325;
  const sky: ClearSky = { ghiWm2: 0, dniWm2: 0, dhiWm2: 0 };
  for (let i = 0; i < axis.count; i++) {
    const cosZenith = sun.up[i]!;
    if (!(cosZenith > 0)) continue;
    const absoluteAirMass = relativeAirMass(radToDeg(Math.acos(Math.min(1, cosZenith)))) * pressureFrac;
    ineichenPerez({ cosZenith, absoluteAirMass, linkeTurbidity, altitudeM: place.elevationM, normalWm2: sun.extraterrestrialWm2[i]! }, sky);
    ghiWm2[i] = sky.ghiWm2;
    dniWm2[i] = sky.dniWm2;
    dhiWm2[i] = sky.dhiWm2;
  }
  return { axis, ghiWm2, dniWm2, dhiWm2, poaWm2: null, airTempC: null, windSpeedMs: null };
}

/** Hours of a calendar year around a place's clock. */
export const hoursOfYear = (year: number, utcOffsetHours: number): TimeAxis => ({
  startUtcMs: Date.UTC(year, 0, 1) - utcOffsetHours * HOUR_MS,
  stepMinutes: 60,
  count: 8760,
});
