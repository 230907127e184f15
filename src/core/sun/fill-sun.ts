import type { TimeAxis } from "../series";
import { DAY_MS, MINUTE_MS } from "../units";
import { extraterrestrialWm2 } from "./extraterrestrial";
import { type GeocentricSun, geocentricSun } from "./geocentric";
import { type Horizon, horizonAt, localSun, type SunVector } from "./local";

/** The sun over a time axis: unit vector (east, north, up) and extraterrestrial normal irradiance, W/m2. */
export interface SunColumns {
  readonly east: Float64Array;
  readonly north: Float64Array;
  readonly up: Float64Array;
  readonly extraterrestrialWm2: Float64Array;
}

/** Up component below which a step of this length may be crossed by sunrise or sunset (15 deg an hour, half a step, a margin). */
const crossingBound = (stepMinutes: number): number => Math.sin(Math.min(Math.PI / 2, (stepMinutes / 120) * 0.2625));

/**
 * Sun at the middle of each interval; where sunrise or sunset falls inside, at the middle of the sunlit part.
 * Source: geocentricSun and localSun of this folder; Spencer, 1971.
 */
export function fillSun(axis: TimeAxis, place: { latitudeDeg: number; longitudeDeg: number }, out: SunColumns): SunColumns {
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const bound = crossingBound(axis.stepMinutes);
  const horizon = horizonAt(place.latitudeDeg, place.longitudeDeg);
  const sun: GeocentricSun = { declinationRad: 0, rightAscensionRad: 0, siderealRad: 0, distanceAu: 1 };
  const vector: SunVector = { east: 0, north: 0, up: 0 };
  let day = Number.NaN;
  let normalWm2 = 0;
  for (let i = 0; i < axis.count; i++) {
    const startMs = axis.startUtcMs + i * stepMs;
    const today = Math.floor(startMs / DAY_MS);
    if (today !== day) {
      day = today;
      normalWm2 = extraterrestrialWm2(dayOfYear(startMs));
    }
    localSun(geocentricSun(startMs + stepMs / 2, sun), horizon, vector);
    if (Math.abs(vector.up) < bound) aimAtSunlitPart(startMs, stepMs, sun, horizon, vector);
    out.east[i] = vector.east;
    out.north[i] = vector.north;
    out.up[i] = vector.up;
    out.extraterrestrialWm2[i] = normalWm2;
  }
  return out;
}

const edge: SunVector = { east: 0, north: 0, up: 0 };

function aimAtSunlitPart(startMs: number, stepMs: number, sun: GeocentricSun, horizon: Horizon, vector: SunVector): void {
  const upAtStart = localSun(geocentricSun(startMs, sun), horizon, edge).up;
  const upAtEnd = localSun(geocentricSun(startMs + stepMs, sun), horizon, edge).up;
  if (upAtStart > 0 === upAtEnd > 0) return;
  // Elevation is near enough to linear over one step for the crossing to be read off the chord.
  const crossing = upAtStart / (upAtStart - upAtEnd);
  const middle = upAtStart > 0 ? crossing / 2 : (1 + crossing) / 2;
  localSun(geocentricSun(startMs + middle * stepMs, sun), horizon, vector);
}

function dayOfYear(utcMs: number): number {
  return Math.floor((utcMs - Date.UTC(new Date(utcMs).getUTCFullYear(), 0, 1)) / DAY_MS) + 1;
}

/** Allocates the columns of a time axis and fills them. */
export function runSun(axis: TimeAxis, place: { latitudeDeg: number; longitudeDeg: number }): SunColumns {
  const column = (): Float64Array => new Float64Array(axis.count);
  return fillSun(axis, place, { east: column(), north: column(), up: column(), extraterrestrialWm2: column() });
}
