import { MINUTE_MS } from "../units";
import { type Examined, startOf } from "./examined";
import type { Finding } from "./finding";

/** A row after a gap holds the gap's energy when it exceeds what its own interval can hold by this much. */
const CAUGHT_UP_OVER = 1.05;
/** Or when it stands this far above the rows after it and the cloudless model, and no more than the gap could have held. */
const OVER_NEIGHBOUR = 1.6;
const SKY_MARGIN = 1.5;
const LEAST_RATED_FRAC = 0.15;

/** Stretches without readings in daylight, and rows that hold the energy of the gap before them. */
export function findGaps(x: Examined): Finding[] {
  const found: Finding[] = [];
  const { energyKwh } = x;
  let from = -1;
  let seen = false;
  for (let i = 0; i < energyKwh.length; i++) {
    if (Number.isNaN(energyKwh[i])) {
      if (seen && from < 0) from = i;
      continue;
    }
    if (from >= 0) {
      const gap = gapOf(x, from, i);
      if (gap) found.push(gap);
    }
    seen = true;
    from = -1;
  }
  return found;
}

function gapOf(x: Examined, from: number, to: number): Finding | null {
  let lit = 0;
  let clearKwh = 0;
  for (let i = from; i < to; i++) {
    if (x.sun.up[i]! > 0) lit++;
    clearKwh += clearAt(x, i);
  }
  const stepMs = x.axis.stepMinutes * MINUTE_MS;
  const next = x.energyKwh[to]!;
  const stretch = { fromUtcMs: startOf(x, from), toUtcMs: startOf(x, to) };
  if (caughtUp(x, to, to - from, clearKwh)) {
    const over = { fromUtcMs: stretch.fromUtcMs, toUtcMs: stretch.toUtcMs + stepMs };
    return {
      kind: "caught-up",
      ...over,
      count: to - from + 1,
      kwh: next,
      confidenceFrac: 0.97,
      facts: { rowKwh: next, mostKwh: x.mostKwh, missingIntervals: to - from },
      remedy: { op: "spread", ...over },
    };
  }
  return {
    kind: "gap",
    ...stretch,
    count: to - from,
    kwh: null,
    confidenceFrac: 1,
    facts: { hours: ((to - from) * x.axis.stepMinutes) / 60, clearKwh, sunlitIntervals: lit },
    remedy: null,
  };
}

function caughtUp(x: Examined, at: number, missing: number, clearKwh: number): boolean {
  const next = x.energyKwh[at]!;
  if (next > x.mostKwh * CAUGHT_UP_OVER) return next <= x.mostKwh * (missing + 1);
  const after = Math.max(x.energyKwh[at + 1] ?? Number.NaN, x.energyKwh[at + 2] ?? Number.NaN);
  const clear = clearAt(x, at);
  if (next < LEAST_RATED_FRAC * x.ratedKwh) return false;
  return next > OVER_NEIGHBOUR * after && next > OVER_NEIGHBOUR * clear && next - clear < SKY_MARGIN * clearKwh + clear;
}

/** Cloudless output of the model in interval i of the series, kWh. */
export function clearAt({ clear }: Examined, i: number): number {
  const day = Math.floor((i - clear.firstIndex) / clear.perDay);
  return clear.kwh[clear.rowOf(day) * clear.perDay + (i - clear.firstIndex - day * clear.perDay)] ?? 0;
}
