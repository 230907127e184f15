import { endUtcMs } from "../series";
import { medianOf } from "../statistics";
import { zoneOffset } from "../time";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../units";
import { type Examined, startOf } from "./examined";
import type { Finding, Stretch } from "./finding";

/** Valid days on either side of a suspected change. */
const WINDOW = 15;
/** The middle of the productive day wanders by some ten minutes with shade, snow and coarse steps; clocks jump by half an hour or more. */
const LEAST_JUMP_MINUTES = 35;
const LEAST_SHIFT_MINUTES = 27;
/** Clock faults come in quarters of an hour; hourly readings can't tell less than an hour. */
const QUANTUM_MINUTES = 15;
const LEAST_STEPS = 0.7;
/** A change this near to a change of summer time is that change. */
const SNAP_DAYS = 9;

interface Segment {
  readonly fromDay: number;
  readonly toDay: number;
  readonly offsetMin: number;
}

/**
 * Clock faults: the middle of each productive day is set against the model's, day by day; what jumps is a clock, for the sun does not.
 * Dawn and dusk are used, not the centre of energy, so that a turned array is not taken for a wrong clock.
 */
export function findClock(x: Examined): Finding[] {
  const days = telling(x);
  if (days.length < WINDOW) return [];
  const segments = segmentsOf(x, days);
  const step = x.axis.stepMinutes;
  const quantised = quantiser(step);
  const base = segments.reduce(
    (best, { offsetMin }) => (Math.abs(offsetMin) < Math.abs(best) ? offsetMin : best),
    Number.POSITIVE_INFINITY,
  );
  const level = Math.abs(base) < LEAST_SHIFT_MINUTES ? base : 0;
  const wrong = segments.map((segment) => ({ ...segment, minutes: quantised(segment.offsetMin - level) }));
  if (wrong.every(({ minutes }) => minutes === wrong[0]!.minutes) && wrong[0]!.minutes !== 0) {
    return [wholeShift(x, wrong[0]!.minutes, days.length, step)];
  }
  return wrong.filter(({ minutes }) => minutes !== 0).map((segment) => partShift(x, segment, days));
}

/** Rounds a deviation to what a clock fault can be at this step; 0 for what is none. */
function quantiser(stepMinutes: number): (minutes: number) => number {
  const least = Math.max(LEAST_SHIFT_MINUTES, LEAST_STEPS * stepMinutes);
  const quantum = Math.max(QUANTUM_MINUTES, stepMinutes);
  return (minutes) => (Math.abs(minutes) < least ? 0 : Math.round(minutes / quantum) * quantum);
}

/** Days whose shape tells the time: whole, productive, and about as long as the model's. */
function telling({ days }: Examined): number[] {
  const out: number[] = [];
  for (let d = 0; d < days.count; d++) {
    if (Number.isNaN(days.midOffsetMin[d]) || !(days.ratio[d]! > 0.25)) continue;
    if (days.lengthFrac[d]! > 0.8 && days.lengthFrac[d]! < 1.25) out.push(d);
  }
  return out;
}

/** Cuts the series where the middle of the day jumps and stays. */
function segmentsOf({ axis, days: { midOffsetMin, count } }: Examined, days: readonly number[]): Segment[] {
  const offsets = days.map((d) => midOffsetMin[d]!);
  const jumps = offsets.map((_, p) =>
    p < 5 || p > offsets.length - 5
      ? 0
      : Math.abs(medianOf(offsets.slice(p, p + WINDOW)) - medianOf(offsets.slice(Math.max(0, p - WINDOW), p))),
  );
  const cuts: number[] = [];
  for (let p = 1; p < jumps.length; p++) {
    if (jumps[p]! < LEAST_JUMP_MINUTES) continue;
    const lo = Math.max(0, p - WINDOW);
    const best = jumps.slice(lo, p + WINDOW).reduce((at, jump, k) => (jump > jumps[lo + at]! ? k : at), 0) + lo;
    const place = sharpest(offsets, best);
    if (cuts.at(-1) !== place && place - (cuts.at(-1) ?? -WINDOW) >= 5) cuts.push(place);
    p = Math.max(p, best + WINDOW - 1);
  }
  const edges = [0, ...cuts, days.length];
  const cut = edges.slice(0, -1).map((from, k) => ({
    fromDay: k === 0 ? 0 : days[from]!,
    toDay: k === edges.length - 2 ? count : days[edges[k + 1]!]!,
    offsetMin: medianOf(offsets.slice(from, edges[k + 1])),
  }));
  return mergeAlike(cut, quantiser(axis.stepMinutes));
}

/** Of the places near a jump the one that leaves the least deviation on both sides. */
function sharpest(offsets: readonly number[], near: number): number {
  let best = near;
  let least = Number.POSITIVE_INFINITY;
  for (let p = Math.max(1, near - 8); p <= Math.min(offsets.length - 1, near + 8); p++) {
    const before = offsets.slice(Math.max(0, near - 8 - WINDOW), p);
    const after = offsets.slice(p, near + 8 + WINDOW);
    const [a, b] = [medianOf(before), medianOf(after)];
    const off = before.reduce((s, v) => s + Math.abs(v - a), 0) + after.reduce((s, v) => s + Math.abs(v - b), 0);
    if (off < least) [best, least] = [p, off];
  }
  return best;
}

function mergeAlike(segments: readonly Segment[], quantised: (minutes: number) => number): Segment[] {
  const out: Segment[] = [];
  for (const segment of segments) {
    const last = out.at(-1);
    if (last && quantised(last.offsetMin - segment.offsetMin) === 0) out[out.length - 1] = { ...last, toDay: segment.toDay };
    else out.push(segment);
  }
  return out;
}

function wholeShift(x: Examined, minutes: number, days: number, step: number): Finding {
  const stretch = { fromUtcMs: x.axis.startUtcMs, toUtcMs: endUtcMs(x.axis) };
  const labels = minutes === step;
  return {
    kind: labels ? "labels-end" : "clock-shift",
    ...stretch,
    count: x.energyKwh.length,
    kwh: null,
    confidenceFrac: labels ? 0.85 : 0.9,
    facts: { minutes, days, stepMinutes: step },
    remedy: { op: "shift", minutes: -minutes, ...stretch },
  };
}

function partShift(x: Examined, { fromDay, toDay, minutes }: Segment & { minutes: number }, days: readonly number[]): Finding {
  // A clock goes wrong for want of summer time when that begins or ends; it may be put right at any time.
  const start = edgeOf(x, fromDay, minutes, Math.abs(minutes) === 60);
  const end = edgeOf(x, toDay, minutes, start.summerTime || fromDay === 0);
  const stretch = { fromUtcMs: start.utcMs, toUtcMs: end.utcMs };
  const summer = (start.summerTime || (fromDay === 0 && end.summerTime)) && Math.abs(minutes) === 60;
  return {
    kind: summer ? "no-summer-time" : "clock-shift",
    ...stretch,
    count: Math.round((stretch.toUtcMs - stretch.fromUtcMs) / (x.axis.stepMinutes * MINUTE_MS)),
    kwh: null,
    confidenceFrac: summer ? 0.95 : 0.85,
    facts: { minutes, days: days.filter((d) => d >= fromDay && d < toDay).length, timeZone: x.site.place.timeZone },
    remedy: { op: "shift", minutes: -minutes, ...stretch },
  };
}

/** The instant of a change that was seen between two days: a change of summer time, a gap of just that length, else midnight. */
function edgeOf(x: Examined, day: number, minutes: number, maySnap: boolean): { utcMs: number; summerTime: boolean } {
  if (day === 0) return { utcMs: firstRead(x), summerTime: false };
  if (day >= x.days.count) return { utcMs: endUtcMs(x.axis), summerTime: false };
  const midnight = startOf(x, Math.max(0, x.days.firstIndex + day * x.days.perDay));
  const change = maySnap ? summerTimeChange(x.site.place.timeZone, midnight) : null;
  if (change !== null) return { utcMs: change, summerTime: true };
  return { utcMs: gapNear(x, midnight, Math.abs(minutes)) ?? midnight, summerTime: false };
}

/** Pages begin at midnight of UTC; the record begins with its first reading. */
const firstRead = (x: Examined): number =>
  startOf(
    x,
    Math.max(
      0,
      x.energyKwh.findIndex((kwh) => !Number.isNaN(kwh)),
    ),
  );

function summerTimeChange(timeZone: string, near: number): number | null {
  const offset = zoneOffset(timeZone);
  let best: number | null = null;
  for (let at = near - SNAP_DAYS * DAY_MS; at < near + SNAP_DAYS * DAY_MS; at += HOUR_MS) {
    if (offset(at) === offset(at + HOUR_MS)) continue;
    if (best === null || Math.abs(at - near) < Math.abs(best - near)) best = at + HOUR_MS;
  }
  return best;
}

/** A clock that is put right leaves a hole, or a doubled hour, of the same length. */
function gapNear(x: Examined, nearUtcMs: number, minutes: number): Stretch["fromUtcMs"] | null {
  const long = Math.round(minutes / x.axis.stepMinutes);
  const near = Math.round((nearUtcMs - x.axis.startUtcMs) / (x.axis.stepMinutes * MINUTE_MS));
  const reach = 2 * x.days.perDay;
  for (let i = Math.max(1, near - reach); i < Math.min(x.energyKwh.length - long, near + reach); i++) {
    if (!Number.isNaN(x.energyKwh[i]) || Number.isNaN(x.energyKwh[i - 1])) continue;
    let run = 0;
    while (Number.isNaN(x.energyKwh[i + run]) && i + run < x.energyKwh.length) run++;
    if (run === long) return startOf(x, i);
    i += run;
  }
  return null;
}
