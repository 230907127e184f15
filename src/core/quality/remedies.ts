import type { CounterAt, MeteredSpan } from "../readings";
import type { TimeAxis } from "../series";
import type { SunColumns } from "../sun";
import { MINUTE_MS } from "../units";
import type { Remedy, Stretch } from "./finding";

/** Units first, then rows that hold their gap, then what is thrown out, last the clock: each works on what the one before left. */
const ORDER: readonly Remedy["op"][] = ["scale", "fill", "spread", "zero", "drop", "shift"];

/** A clean series from a raw one by the remedies that were accepted; the raw one is left as it is. `sun` is needed for night output only. */
export function derived(
  axis: TimeAxis,
  energyKwh: Float64Array,
  remedies: readonly Remedy[],
  sun: Pick<SunColumns, "up"> | null,
): Float64Array {
  const out = energyKwh.slice();
  for (const op of ORDER) {
    const own = remedies.filter((remedy) => remedy.op === op);
    if (op === "shift") shift(axis, out, own as Extract<Remedy, { op: "shift" }>[]);
    else for (const remedy of own) apply(axis, out, remedy, sun);
  }
  return out;
}

interface Range {
  readonly from: number;
  readonly to: number;
}

function rangeOf(axis: TimeAxis, { fromUtcMs, toUtcMs }: Stretch): Range {
  const at = (utcMs: number): number => Math.round((utcMs - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS));
  return { from: Math.max(0, at(fromUtcMs)), to: Math.min(axis.count, at(toUtcMs)) };
}

function apply(axis: TimeAxis, out: Float64Array, remedy: Remedy, sun: Pick<SunColumns, "up"> | null): void {
  const { from, to } = rangeOf(axis, remedy);
  if (to <= from) return;
  switch (remedy.op) {
    case "scale":
      for (let i = from; i < to; i++) out[i] = out[i]! * remedy.factor;
      break;
    case "fill":
      out.fill(remedy.kwh / (to - from), from, to);
      break;
    case "spread":
      out.fill(out[to - 1]! / (to - from), from, to);
      break;
    case "drop":
      out.fill(Number.NaN, from, to);
      break;
    case "zero":
      for (let i = from; i < to; i++) {
        if (remedy.only === "negative" ? out[i]! < 0 : (sun?.up[i] ?? 0) < 0) out[i] = Number.isNaN(out[i]) ? Number.NaN : 0;
      }
      break;
    case "shift":
    case "restate":
    case "carry":
      break;
  }
}

/** Moves stretches in time. A moved value never displaces one that stood outside all moved stretches. */
function shift(axis: TimeAxis, out: Float64Array, remedies: readonly Extract<Remedy, { op: "shift" }>[]): void {
  if (remedies.length === 0) return;
  const before = out.slice();
  const ranges = remedies.map((remedy) => rangeOf(axis, remedy));
  for (const { from, to } of ranges) out.fill(Number.NaN, from, to);
  remedies.forEach((remedy, k) => {
    const by = Math.round(remedy.minutes / axis.stepMinutes);
    const { from, to } = ranges[k]!;
    for (let i = from; i < to; i++) {
      const target = i + by;
      if (target >= 0 && target < axis.count && Number.isNaN(out[target])) out[target] = before[i]!;
    }
  });
}

/** Counter readings by the remedies that were accepted: restated, dropped, or carried on over a reset. */
export function derivedCounters<T extends CounterAt>(readings: readonly T[], remedies: readonly Remedy[]): T[] {
  const kept = readings.filter(({ atUtcMs }) => !remedies.some((remedy) => remedy.op === "drop" && remedy.fromUtcMs === atUtcMs));
  return kept.map((reading) => {
    let { kwh } = reading;
    let isGapBefore = reading.isGapBefore ?? false;
    for (const remedy of remedies) {
      if (remedy.op === "carry" && reading.atUtcMs >= remedy.fromUtcMs) kwh += remedy.kwh;
      if (remedy.op === "carry" && remedy.isGapBefore && reading.atUtcMs === remedy.fromUtcMs) isGapBefore = true;
    }
    // What is put in place of a reading counts on over resets already.
    for (const remedy of remedies) if (remedy.op === "restate" && remedy.fromUtcMs === reading.atUtcMs) kwh = remedy.kwh;
    return isGapBefore ? { ...reading, kwh, isGapBefore } : { ...reading, kwh };
  });
}

/** Totals by the remedies that were accepted: one that was dropped is no reading. */
export const derivedSpans = <T extends MeteredSpan>(spans: readonly T[], remedies: readonly Remedy[]): T[] =>
  spans.filter(
    (span) => !remedies.some(({ op, fromUtcMs, toUtcMs }) => op === "drop" && fromUtcMs === span.fromUtcMs && toUtcMs === span.toUtcMs),
  );
