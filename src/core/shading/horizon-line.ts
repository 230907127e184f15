import type { HorizonPoint } from "../site";
import { degToRad } from "../units";

/** A horizon as the tangent of its elevation, every degree of azimuth from north; the last entry repeats the first. */
export interface HorizonLine {
  readonly tangent: Float64Array;
  readonly highestTangent: number;
}

const TURN = 360;

/** Elevation of a horizon at an azimuth, straight between its points, around north too; 0 without points. */
export function horizonElevationDeg(points: readonly HorizonPoint[], azimuthDeg: number): number {
  if (points.length === 0) return 0;
  const sorted = [...points].sort((a, b) => a.azimuthDeg - b.azimuthDeg);
  const at = ((azimuthDeg % TURN) + TURN) % TURN;
  const after = sorted.find((p) => p.azimuthDeg >= at) ?? sorted[0]!;
  const before = [...sorted].reverse().find((p) => p.azimuthDeg <= at) ?? sorted.at(-1)!;
  const span = (after.azimuthDeg - before.azimuthDeg + TURN) % TURN;
  if (span === 0) return after.elevationDeg;
  const gone = (at - before.azimuthDeg + TURN) % TURN;
  return before.elevationDeg + ((after.elevationDeg - before.elevationDeg) * gone) / span;
}

/** The line of a horizon; null where it is nowhere above level. */
export function horizonLine(points: readonly HorizonPoint[]): HorizonLine | null {
  if (!points.some((point) => point.elevationDeg > 0)) return null;
  const tangent = Float64Array.from({ length: TURN + 1 }, (_, a) => Math.tan(degToRad(Math.min(89.9, horizonElevationDeg(points, a)))));
  return { tangent, highestTangent: tangent.reduce((most, t) => Math.max(most, t), 0) };
}

/** Whether a direction lies under the line. */
export function underHorizon({ tangent, highestTangent }: HorizonLine, east: number, north: number, up: number): boolean {
  const flat = Math.sqrt(east * east + north * north);
  if (up >= highestTangent * flat) return false;
  const turn = Math.atan2(east, north) * (180 / Math.PI);
  const place = turn < 0 ? turn + TURN : turn;
  const k = Math.min(place | 0, TURN - 1);
  const line = tangent[k]! + (tangent[k + 1]! - tangent[k]!) * (place - k);
  return up < line * flat;
}
