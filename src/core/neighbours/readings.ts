import type { TimeAxis } from "../series";
import { HOUR_MS, MINUTE_MS } from "../units";

/** Energies of single modules hour by hour; NaN where nothing was read. */
export interface ModuleReadings {
  /** Of hours. */
  readonly axis: TimeAxis;
  /** As the recorder names them. */
  readonly ids: readonly string[];
  /** kWh, a column a module. */
  readonly kwh: readonly Float32Array[];
}

/** Energies of one module at its own step, kWh. */
export interface ModuleColumn {
  readonly id: string;
  readonly axis: TimeAxis;
  readonly kwh: ArrayLike<number>;
}

/** The same by whole hours of UTC. */
export interface HourlyColumn {
  readonly id: string;
  readonly firstHour: number;
  readonly kwh: Float32Array;
}

const HOUR_MINUTES = 60;

/** A column of an hour's step or less by hours; an hour of which a reading is missing is missing. Throws a RangeError for a step that doesn't divide an hour. */
export function hourlyColumn({ id, axis, kwh }: ModuleColumn): HourlyColumn {
  if (HOUR_MINUTES % axis.stepMinutes !== 0) throw new RangeError(`A step of ${axis.stepMinutes} min doesn't divide an hour`);
  const perHour = HOUR_MINUTES / axis.stepMinutes;
  const firstHour = Math.floor(axis.startUtcMs / HOUR_MS);
  const offset = Math.round((axis.startUtcMs - firstHour * HOUR_MS) / (axis.stepMinutes * MINUTE_MS));
  const out = new Float32Array(Math.ceil((kwh.length + offset) / perHour)).fill(Number.NaN);
  for (let hour = 0; hour < out.length; hour++) {
    const from = hour * perHour - offset;
    if (from < 0 || from + perHour > kwh.length) continue;
    let sum = 0;
    for (let i = from; i < from + perHour; i++) sum += kwh[i]!;
    out[hour] = sum;
  }
  return { id, firstHour, kwh: out };
}

/** First and last hour of a column with a reading; null without any. */
function readHours({ firstHour, kwh }: HourlyColumn): { readonly first: number; readonly end: number } | null {
  const from = kwh.findIndex((value) => !Number.isNaN(value));
  return from < 0 ? null : { first: firstHour + from, end: firstHour + kwh.findLastIndex((value) => !Number.isNaN(value)) + 1 };
}

/** Columns laid on one axis, from the first reading to the last; of two of one module the later stands where both have an hour. */
export function onOneAxis(columns: readonly HourlyColumn[]): ModuleReadings {
  const read = columns.map(readHours).filter((hours) => hours !== null);
  const first = read.reduce((least, hours) => Math.min(least, hours.first), Number.POSITIVE_INFINITY);
  const end = read.reduce((most, hours) => Math.max(most, hours.end), Number.NEGATIVE_INFINITY);
  const count = read.length === 0 ? 0 : end - first;
  const byId = new Map<string, Float32Array>();
  for (const { id, firstHour, kwh } of columns) {
    const into = byId.get(id) ?? new Float32Array(count).fill(Number.NaN);
    byId.set(id, into);
    for (let i = 0; i < kwh.length; i++) if (!Number.isNaN(kwh[i]!)) into[firstHour - first + i] = kwh[i]!;
  }
  const startUtcMs = count === 0 ? 0 : first * HOUR_MS;
  return { axis: { startUtcMs, stepMinutes: HOUR_MINUTES, count }, ids: [...byId.keys()], kwh: [...byId.values()] };
}

/** Columns of any step of an hour or less on one axis of whole hours. */
export const hourlyReadings = (columns: readonly ModuleColumn[]): ModuleReadings => onOneAxis(columns.map(hourlyColumn));
