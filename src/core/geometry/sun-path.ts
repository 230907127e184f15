import { sunPosition } from "../sun";
import { DAY_MS, HOUR_MS } from "../units";

/** The sun at one moment of an arc: true direction, degrees, and as a unit vector. */
export interface ArcPoint {
  readonly utcMs: number;
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
  readonly east: number;
  readonly north: number;
  readonly up: number;
}

/** Start of the solar day of a date at a longitude: mean solar midnight, UTC. Right on both sides of the date line. */
export const solarMidnightUtcMs = (date: string, longitudeDeg: number): number =>
  Date.parse(`${date}T00:00:00Z`) - (longitudeDeg / 15) * HOUR_MS;

/** The sun's way through one solar day of a date ("2025-06-21"), from midnight to midnight, also below the horizon. */
export function sunArc(place: { latitudeDeg: number; longitudeDeg: number }, date: string, stepMinutes = 10): ArcPoint[] {
  const stepMs = stepMinutes * 60_000;
  const midnight = solarMidnightUtcMs(date, place.longitudeDeg);
  const count = Math.round(DAY_MS / stepMs) + 1;
  return Array.from({ length: count }, (_, i) => {
    const utcMs = midnight + i * stepMs;
    const { azimuthDeg, trueZenithDeg, vector } = sunPosition(utcMs, { ...place, pressurePa: 0, airTempC: 15 });
    return { utcMs, azimuthDeg, elevationDeg: 90 - trueZenithDeg, ...vector };
  });
}

/** The twenty-first of every month of a year. */
export const monthDates = (year: number): string[] => Array.from({ length: 12 }, (_, m) => `${year}-${String(m + 1).padStart(2, "0")}-21`);

/** Bands of the sun's year: between its ways on the twenty-first of two months, from the December solstice to the June solstice. */
export const YEAR_BANDS = 6;

/** Band in which the sun stands on a date ("2025-11-30"); each holds a stretch of both halves of the year. */
export function yearBand(date: string): number {
  const [month, day] = [Number(date.slice(5, 7)) - 1, Number(date.slice(8, 10))];
  const since = (day >= 21 ? month + 1 : month) % 12;
  return Math.min(since, 2 * YEAR_BANDS - 1 - since);
}
