import type { TimeAxis } from "../series";
import { endUtcMs } from "../series";
import { DAY_MS } from "../units";
import { utcOfWall } from "./wall-clock";
import { type ZoneOffset, zoneOffset } from "./zone-offset";

/** Intervals sorted into local calendar spans: `binOf[i]` is the span of interval i, `keys[b]` its name. */
export interface CalendarBins {
  readonly keys: readonly string[];
  readonly binOf: Uint16Array;
}

type NextSpan = (wallMs: number) => { key: string; nextWallMs: number };

const iso = (wallMs: number): string => new Date(wallMs).toISOString();

const localMonth: NextSpan = (wallMs) => {
  const at = new Date(wallMs);
  return { key: iso(wallMs).slice(0, 7), nextWallMs: Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + 1, 1) };
};

const localDay: NextSpan = (wallMs) => ({
  key: iso(wallMs).slice(0, 10),
  nextWallMs: (Math.floor(wallMs / DAY_MS) + 1) * DAY_MS,
});

function cut(axis: TimeAxis, offset: ZoneOffset, spanAt: NextSpan): CalendarBins {
  const stepMs = axis.stepMinutes * 60_000;
  const binOf = new Uint16Array(axis.count);
  const keys: string[] = [];
  const end = endUtcMs(axis);
  let at = axis.startUtcMs;
  let i = 0;
  while (i < axis.count) {
    const { key, nextWallMs } = spanAt(at + offset(at));
    const nextUtcMs = Math.min(utcOfWall(nextWallMs, offset), end);
    const bin = keys.push(key) - 1;
    for (; i < axis.count && axis.startUtcMs + i * stepMs < nextUtcMs; i++) binOf[i] = bin;
    at = nextUtcMs;
  }
  return { keys, binOf };
}

/** Local months ("2024-03") of a zone; an interval belongs to the month in which it starts. */
export const monthBins = (axis: TimeAxis, timeZone: string): CalendarBins => cut(axis, zoneOffset(timeZone), localMonth);

/** Local days ("2024-03-31") of a zone; a day of a clock change has 23 or 25 hours. At most 65,535 days. */
export const dayBins = (axis: TimeAxis, timeZone: string): CalendarBins => cut(axis, zoneOffset(timeZone), localDay);

/** Intervals [from, to) of the spans [first, end): bins rise along the axis, so that both ends are found by halving. */
export const intervalsOf = ({ binOf }: CalendarBins, first: number, end: number): { readonly from: number; readonly to: number } => ({
  from: firstAtLeast(binOf, first),
  to: firstAtLeast(binOf, end),
});

function firstAtLeast(binOf: Uint16Array, bin: number): number {
  let low = 0;
  let high = binOf.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (binOf[middle]! < bin) low = middle + 1;
    else high = middle;
  }
  return low;
}
