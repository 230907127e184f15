import { MINUTE_MS } from "../units";

/** Equal, gapless intervals [start, start + step), labelled by their start in UTC. Missing values are NaN, not missing steps. */
export interface TimeAxis {
  readonly startUtcMs: number;
  readonly stepMinutes: number;
  readonly count: number;
}

export const endUtcMs = (axis: TimeAxis): number => axis.startUtcMs + axis.count * axis.stepMinutes * MINUTE_MS;

/** Index of the interval that holds an instant; outside the axis it is negative or not below `count`. */
export const indexAt = (axis: TimeAxis, utcMs: number): number => Math.floor((utcMs - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS));

/** The axis that starts no later and ends no earlier than two others of the same step. */
export function unionAxis(a: TimeAxis, b: TimeAxis): TimeAxis {
  if (a.stepMinutes !== b.stepMinutes) throw new RangeError(`Steps differ: ${a.stepMinutes} and ${b.stepMinutes} min`);
  const startUtcMs = Math.min(a.startUtcMs, b.startUtcMs);
  const end = Math.max(endUtcMs(a), endUtcMs(b));
  return { startUtcMs, stepMinutes: a.stepMinutes, count: Math.round((end - startUtcMs) / (a.stepMinutes * MINUTE_MS)) };
}

/** Throws a RangeError unless every column has one value an interval. */
export function assertOnAxis(axis: TimeAxis, columns: Readonly<Record<string, ArrayLike<number> | null>>): void {
  for (const [name, column] of Object.entries(columns)) {
    if (column && column.length !== axis.count) {
      throw new RangeError(`Column ${name} has ${column.length} values, the time axis ${axis.count}`);
    }
  }
}

/** Intervals [from, to) of an axis. */
export const sliceAxis = (axis: TimeAxis, from: number, to: number): TimeAxis => ({
  ...axis,
  startUtcMs: axis.startUtcMs + from * axis.stepMinutes * MINUTE_MS,
  count: to - from,
});
