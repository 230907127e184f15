import { runSun } from "../sun";
import { DAY_MS, HOUR_MS, radToDeg } from "../units";

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
  const count = Math.round(DAY_MS / stepMs) + 1;
  // The columns hold the middle of each step.
  const axis = { startUtcMs: solarMidnightUtcMs(date, place.longitudeDeg) - stepMs / 2, stepMinutes, count };
  const sun = runSun(axis, place);
  return Array.from({ length: count }, (_, i) => {
    const [east, north, up] = [sun.east[i]!, sun.north[i]!, sun.up[i]!];
    return {
      utcMs: axis.startUtcMs + (i + 0.5) * stepMs,
      azimuthDeg: (radToDeg(Math.atan2(east, north)) + 360) % 360,
      elevationDeg: radToDeg(Math.atan2(up, Math.hypot(east, north))),
      east,
      north,
      up,
    };
  });
}

/** The twenty-first of every month of a year. */
export const monthDates = (year: number): string[] => Array.from({ length: 12 }, (_, m) => `${year}-${String(m + 1).padStart(2, "0")}-21`);
