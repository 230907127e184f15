import { DAY_MS } from "../units";
import type { ZoneOffset } from "./zone-offset";

/** A wall-clock reading is written as the UTC instant with the same digits. */
export type WallMs = number;

export type WallReading =
  | { kind: "once"; utcMs: number }
  /** The clock showed this twice (summer time ended): the first and the second time. */
  | { kind: "twice"; firstUtcMs: number; secondUtcMs: number }
  /** The clock never showed this (summer time began): the instant by the offset before the change. */
  | { kind: "never"; utcMs: number };

/** The instants at which a zone's clocks showed a wall time. */
export function readWallClock(wallMs: WallMs, offset: ZoneOffset): WallReading {
  const before = offset(wallMs - DAY_MS);
  const after = offset(wallMs + DAY_MS);
  const byBefore = wallMs - before;
  if (before === after) return { kind: "once", utcMs: byBefore };
  const byAfter = wallMs - after;
  const beforeHolds = offset(byBefore) === before;
  const afterHolds = offset(byAfter) === after;
  if (beforeHolds && afterHolds) return { kind: "twice", firstUtcMs: byBefore, secondUtcMs: byAfter };
  if (beforeHolds) return { kind: "once", utcMs: byBefore };
  if (afterHolds) return { kind: "once", utcMs: byAfter };
  return { kind: "never", utcMs: byBefore };
}

/** The one instant of a wall time; where there are two the first, where there is none by the offset before the change. */
export function utcOfWall(wallMs: WallMs, offset: ZoneOffset): number {
  const reading = readWallClock(wallMs, offset);
  return reading.kind === "twice" ? reading.firstUtcMs : reading.utcMs;
}
