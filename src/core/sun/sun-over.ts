import type { TimeAxis } from "../series";
import { MINUTE_MS } from "../units";
import { fillSun, type LatLon, runSun, type SunColumns } from "./fill-sun";

/** Columns of the sun over a part of an axis; `first` is the step of the axis at which they begin. */
export interface SunStretch extends SunColumns {
  readonly first: number;
}

/** The sun over an axis, to be had whole or as one passes along it. */
export interface SunOver {
  readonly whole: () => SunColumns;
  /** Columns that hold the steps [from, to), good until the next call. */
  readonly over: (from: number, to: number) => SunStretch;
}

/** Steps that are worked at once: a year of five minutes. */
const STRETCH = 105_120;

const columns = (count: number): Record<keyof SunColumns, Float64Array> => {
  const column = (): Float64Array => new Float64Array(count);
  return { east: column(), north: column(), up: column(), extraterrestrialWm2: column() };
};

function fillStretch(axis: TimeAxis, place: LatLon, from: number, out: SunColumns): void {
  const startUtcMs = axis.startUtcMs + from * axis.stepMinutes * MINUTE_MS;
  fillSun({ ...axis, startUtcMs, count: Math.min(out.up.length, axis.count - from) }, place, out);
}

/** The sun of an axis, worked out a stretch at a time in columns that are used again: thirty years of five minutes hold 100 MB whole. */
export function sunOver(axis: TimeAxis, place: LatLon): SunOver {
  let made: SunColumns | null = null;
  let stretch: SunStretch | null = null;
  return {
    whole() {
      made ??= runSun(axis, place);
      return made;
    },
    over(from, to) {
      if (made) return sunWhole(made).over(from, to);
      if (stretch && stretch.first <= from && to <= stretch.first + stretch.up.length) return stretch;
      const count = Math.min(axis.count, Math.max(STRETCH, to - from));
      const held = stretch?.up.length === count ? stretch : columns(count);
      const first = Math.min(from, axis.count - count);
      fillStretch(axis, place, first, held);
      stretch = { ...held, first };
      return stretch;
    },
  };
}

/** The sun of an axis that is known already. */
export function sunWhole(sun: SunColumns): SunOver {
  const stretch = { ...sun, first: 0 };
  return { whole: () => sun, over: () => stretch };
}

/** Up component of the sun alone, as fillSun has it: a quarter of its memory over a long axis. */
export function sunHeights(axis: TimeAxis, place: LatLon): Float64Array {
  const out = new Float64Array(axis.count);
  const sun = sunOver(axis, place);
  for (let from = 0; from < axis.count; from += STRETCH) {
    const to = Math.min(axis.count, from + STRETCH);
    const { up, first } = sun.over(from, to);
    out.set(up.subarray(from - first, to - first), from);
  }
  return out;
}
