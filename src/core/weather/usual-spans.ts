import type { TimeAxis } from "../series";
import { MINUTE_MS } from "../units";

/** Half-open stretch of time [from, to). */
interface Stretch {
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

/** Light that was brought to a book at once, in the order in which it was brought. */
export interface BroughtLight extends Stretch {
  /** A usual year's, made and not measured. */
  readonly isUsual: boolean;
}

/** Stretches whose light is a usual year's: what was brought later lies over what was there. */
export function usualSpans(brought: readonly BroughtLight[]): readonly Stretch[] {
  let spans: Stretch[] = [];
  for (const { fromUtcMs, toUtcMs, isUsual } of brought) {
    spans = spans.flatMap((span) => [
      ...(span.fromUtcMs < fromUtcMs ? [{ fromUtcMs: span.fromUtcMs, toUtcMs: Math.min(span.toUtcMs, fromUtcMs) }] : []),
      ...(span.toUtcMs > toUtcMs ? [{ fromUtcMs: Math.max(span.fromUtcMs, toUtcMs), toUtcMs: span.toUtcMs }] : []),
    ]);
    if (isUsual) spans.push({ fromUtcMs, toUtcMs });
  }
  return spans.sort((a, b) => a.fromUtcMs - b.fromUtcMs);
}

/** 1 for each interval of an axis whose light is a usual year's; null where none is. */
export function usualMarks({ startUtcMs, stepMinutes, count }: TimeAxis, spans: readonly Stretch[]): Uint8Array | null {
  if (spans.length === 0) return null;
  const stepMs = stepMinutes * MINUTE_MS;
  const marks = new Uint8Array(count);
  let any = false;
  for (const { fromUtcMs, toUtcMs } of spans) {
    const [from, to] = [fromUtcMs, toUtcMs].map((at) => Math.min(count, Math.max(0, Math.round((at - startUtcMs) / stepMs)))) as [
      number,
      number,
    ];
    marks.fill(1, from, to);
    any ||= to > from;
  }
  return any ? marks : null;
}
