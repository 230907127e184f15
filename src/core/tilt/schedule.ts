import { DAY_MS } from "../units";

/** From a day of the year ("03-20") on, the rack stands at this tilt; the last step of a year reaches into the next. */
export interface TiltStep {
  readonly from: string;
  readonly tiltDeg: number;
}

export const DAYS = 365;
const NEW_YEAR = Date.UTC(2025, 0, 1);

export const clampTiltDeg = (tiltDeg: number): number => Math.max(0, Math.min(90, tiltDeg));

/** "03-20" as the day of a common year, 0 to 364; the leap day counts as the day before it. */
export const dayOfText = (from: string): number =>
  Math.round((Date.parse(`2025-${from === "02-29" ? "02-28" : from}T00:00:00Z`) - NEW_YEAR) / DAY_MS);
export const textOfDay = (day: number): string => new Date(NEW_YEAR + (((day % DAYS) + DAYS) % DAYS) * DAY_MS).toISOString().slice(5, 10);
export const monthOfDay = (day: number): number => Number(textOfDay(day).slice(0, 2)) - 1;

/** Tilt of every day of a common year. */
export function tiltByDay(steps: readonly TiltStep[]): Float64Array {
  const sorted = [...steps].map((step) => ({ day: dayOfText(step.from), tiltDeg: step.tiltDeg })).sort((a, b) => a.day - b.day);
  const out = new Float64Array(DAYS).fill(sorted.at(-1)?.tiltDeg ?? Number.NaN);
  for (const { day, tiltDeg } of sorted) out.fill(tiltDeg, day);
  return out;
}

/** Tilts closer than this read alike and are set alike, degrees. */
const SAME_DEG = 0.05;

/** A year of tilts without the changes that change nothing. */
export function withoutStandstill(steps: readonly TiltStep[]): readonly TiltStep[] {
  const moves = steps.filter(({ tiltDeg }, k) => Math.abs(tiltDeg - steps.at(k - 1)!.tiltDeg) >= SAME_DEG);
  return moves.length > 0 ? moves : steps.slice(0, 1);
}
