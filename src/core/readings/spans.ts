import { indexAt, type TimeAxis } from "../series";
import { MINUTE_MS } from "../units";

/** Metered energy of a span of any length, [from, to). */
export interface MeteredSpan {
  readonly meterId: string;
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
  readonly kwh: number;
}

/** A lifetime counter as it stood at an instant, kWh. */
export interface CounterAt {
  readonly meterId: string;
  readonly atUtcMs: number;
  readonly kwh: number;
  /** What came since the reading before it nobody read: the counter began anew meanwhile. */
  readonly isGapBefore?: boolean;
}

/** Energies between consecutive readings of each counter; a span over which the counter fell or began anew is left out. Readings in any order. */
export function counterSpans(readings: readonly CounterAt[]): MeteredSpan[] {
  const spans: MeteredSpan[] = [];
  for (const meterId of new Set(readings.map((reading) => reading.meterId))) {
    const own = readings.filter((reading) => reading.meterId === meterId).sort((a, b) => a.atUtcMs - b.atUtcMs);
    for (let i = 1; i < own.length; i++) {
      const [before, now] = [own[i - 1]!, own[i]!];
      if (now.kwh >= before.kwh && now.atUtcMs > before.atUtcMs && !now.isGapBefore) {
        spans.push({ meterId, fromUtcMs: before.atUtcMs, toUtcMs: now.atUtcMs, kwh: now.kwh - before.kwh });
      }
    }
  }
  return spans.sort((a, b) => a.fromUtcMs - b.fromUtcMs);
}

/** A span beside what the model owes for exactly that time. */
export interface ComparedSpan extends MeteredSpan {
  readonly expectedKwh: number;
  /** Share of the span's time for which the model can say what it owes. */
  readonly knownFrac: number;
}

/** Energy of [from, to) on an axis; intervals that the ends cut count by their share. */
export function energyBetween(axis: TimeAxis, kwh: Float64Array, fromUtcMs: number, toUtcMs: number): { kwh: number; knownFrac: number } {
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const first = Math.max(0, indexAt(axis, fromUtcMs));
  const last = Math.min(axis.count - 1, indexAt(axis, toUtcMs - 1));
  let sum = 0;
  let knownMs = 0;
  for (let i = first; i <= last; i++) {
    const start = axis.startUtcMs + i * stepMs;
    const overlapMs = Math.min(toUtcMs, start + stepMs) - Math.max(fromUtcMs, start);
    const value = kwh[i]!;
    if (Number.isNaN(value) || overlapMs <= 0) continue;
    sum += (value * overlapMs) / stepMs;
    knownMs += overlapMs;
  }
  return { kwh: sum, knownFrac: toUtcMs > fromUtcMs ? knownMs / (toUtcMs - fromUtcMs) : 0 };
}

/** Each span with what the model owes over exactly its time; nothing is spread, no day is made up. */
export function compareSpans(spans: readonly MeteredSpan[], axis: TimeAxis, expectedKwh: Float64Array): ComparedSpan[] {
  return spans.map((span) => {
    const expected = energyBetween(axis, expectedKwh, span.fromUtcMs, span.toUtcMs);
    return { ...span, expectedKwh: expected.kwh, knownFrac: expected.knownFrac };
  });
}

/** A day of a clock change is an hour longer. */
const A_DAY_MS = 25 * 60 * MINUTE_MS;

/** A span's energy laid over intervals by the expected shape: what a month needs, and a day must not be told from. */
export interface SplitEnergy {
  readonly kwh: Float64Array;
  /** 1 where a value comes from a split span, 2 where that span is no longer than a day. */
  readonly split: Uint8Array;
}

/**
 * Lays spans onto an axis in proportion to what the model owes in each interval; a span for which the model owes nothing is laid evenly. The sum of a span
 * that lies within the axis is kept. NaN where no span is.
 */
export function splitSpans(spans: readonly MeteredSpan[], axis: TimeAxis, expectedKwh: Float64Array): SplitEnergy {
  const kwh = new Float64Array(axis.count).fill(Number.NaN);
  const split = new Uint8Array(axis.count);
  const stepMs = axis.stepMinutes * MINUTE_MS;
  for (const span of spans) {
    const first = indexAt(axis, span.fromUtcMs + stepMs / 2);
    const end = indexAt(axis, span.toUtcMs + stepMs / 2);
    const [from, to] = [Math.max(0, first), Math.min(axis.count, end)];
    if (to <= from) continue;
    let expected = 0;
    for (let i = from; i < to; i++) expected += Math.max(0, expectedKwh[i]! || 0);
    const daily = span.toUtcMs - span.fromUtcMs <= A_DAY_MS ? 2 : 1;
    // What lies before or after the axis keeps its share of the energy by time.
    const inside = (to - from) / (end - first);
    for (let i = from; i < to; i++) {
      const share = expected > 0 ? Math.max(0, expectedKwh[i]! || 0) / expected : 1 / (to - from);
      kwh[i] = (Number.isNaN(kwh[i]) ? 0 : kwh[i]!) + span.kwh * inside * share;
      split[i] = daily;
    }
  }
  return { kwh, split };
}
