import type { TimeAxis } from "../series";
import { DAY_MS, MINUTE_MS } from "../units";
import { byUtcYear, type EarthFixedSun, type Ephemeris, ephemeris } from "./ephemeris";
import { extraterrestrialWm2 } from "./extraterrestrial";
import { type LocalFrame, localFrame, SOLAR_PARALLAX_RAD } from "./local";

/** The sun over a time axis: unit vector (east, north, up) and extraterrestrial normal irradiance, W/m2. */
export interface SunColumns {
  readonly east: Float64Array;
  readonly north: Float64Array;
  readonly up: Float64Array;
  readonly extraterrestrialWm2: Float64Array;
}

export interface LatLon {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** Up component below which a step of this length may be crossed by sunrise or sunset (15 deg an hour, half a step, a margin). */
const crossingBound = (stepMinutes: number): number => Math.sin(Math.min(Math.PI / 2, (stepMinutes / 120) * 0.2625));

const shared = ephemeris();

/**
 * Sun at the middle of each interval; where sunrise or sunset falls inside, at the middle of the sunlit part.
 * Directions come from the year's table by three dot products. Source: geocentricSun of this folder; Spencer, 1971.
 */
export function fillSun(axis: TimeAxis, place: LatLon, out: SunColumns, tables: Ephemeris = shared): SunColumns {
  const frame = localFrame(place.latitudeDeg, place.longitudeDeg);
  for (const span of byUtcYear(axis)) {
    const table = tables.table(span.year, axis.stepMinutes, span.phaseMs);
    fillDirections(table, span.tableFrom, frame, span, out);
    aimAtSunlitParts(axis, span, (utcMs, into) => tables.at(span.year, utcMs, into), frame, out);
    fillNormal(axis, span, out.extraterrestrialWm2);
  }
  return out;
}

interface Span {
  readonly from: number;
  readonly to: number;
}

function fillDirections(
  table: { x: Float64Array; y: Float64Array; z: Float64Array },
  tableFrom: number,
  frame: LocalFrame,
  span: Span,
  out: SunColumns,
): void {
  const { eastX, eastY, northX, northY, northZ, upX, upY, upZ } = frame;
  const { east: outEast, north: outNorth, up: outUp } = out;
  const shift = tableFrom - span.from;
  for (let i = span.from; i < span.to; i++) {
    const x = table.x[i + shift]!;
    const y = table.y[i + shift]!;
    const z = table.z[i + shift]!;
    const up = upX * x + upY * y + upZ * z;
    const scale = backToLengthOne(up);
    outEast[i] = (eastX * x + eastY * y) * scale;
    outNorth[i] = (northX * x + northY * y + northZ * z) * scale;
    outUp[i] = (up - SOLAR_PARALLAX_RAD) * scale;
  }
}

/** Parallax lowers the sun; its vector is brought back to length 1 by the series of 1 / sqrt(1 - 2 p u + p p), exact to 1e-13. */
const backToLengthOne = (up: number): number => 1 + SOLAR_PARALLAX_RAD * (up + SOLAR_PARALLAX_RAD * (1.5 * up * up - 0.5));

type DirectionAt = (utcMs: number, into: EarthFixedSun) => EarthFixedSun;

function aimAtSunlitParts(axis: TimeAxis, span: Span, at: DirectionAt, frame: LocalFrame, out: SunColumns): void {
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const bound = crossingBound(axis.stepMinutes);
  const sun: EarthFixedSun = { x: 0, y: 0, z: 0 };
  const upAt = (utcMs: number): number => {
    at(utcMs, sun);
    return frame.upX * sun.x + frame.upY * sun.y + frame.upZ * sun.z - SOLAR_PARALLAX_RAD;
  };
  for (let i = span.from; i < span.to; i++) {
    if (Math.abs(out.up[i]!) >= bound) continue;
    const startMs = axis.startUtcMs + i * stepMs;
    const upAtStart = upAt(startMs);
    const upAtEnd = upAt(startMs + stepMs);
    if (upAtStart > 0 === upAtEnd > 0) continue;
    // Elevation is near enough to linear over one step for the crossing to be read off the chord.
    const crossing = upAtStart / (upAtStart - upAtEnd);
    const middle = upAtStart > 0 ? crossing / 2 : (1 + crossing) / 2;
    const up = upAt(startMs + middle * stepMs) + SOLAR_PARALLAX_RAD;
    const scale = backToLengthOne(up);
    out.east[i] = (frame.eastX * sun.x + frame.eastY * sun.y) * scale;
    out.north[i] = (frame.northX * sun.x + frame.northY * sun.y + frame.northZ * sun.z) * scale;
    out.up[i] = (up - SOLAR_PARALLAX_RAD) * scale;
  }
}

function fillNormal(axis: TimeAxis, span: Span, out: Float64Array): void {
  const stepMs = axis.stepMinutes * MINUTE_MS;
  let i = span.from;
  while (i < span.to) {
    const startMs = axis.startUtcMs + i * stepMs;
    const nextDayMs = (Math.floor(startMs / DAY_MS) + 1) * DAY_MS;
    const until = Math.min(span.to, Math.ceil((nextDayMs - axis.startUtcMs) / stepMs));
    out.fill(extraterrestrialWm2(dayOfYear(startMs)), i, until);
    i = until;
  }
}

function dayOfYear(utcMs: number): number {
  return Math.floor((utcMs - Date.UTC(new Date(utcMs).getUTCFullYear(), 0, 1)) / DAY_MS) + 1;
}

/** Allocates the columns of a time axis and fills them. */
export function runSun(axis: TimeAxis, place: LatLon, tables: Ephemeris = shared): SunColumns {
  const column = (): Float64Array => new Float64Array(axis.count);
  return fillSun(axis, place, { east: column(), north: column(), up: column(), extraterrestrialWm2: column() }, tables);
}
