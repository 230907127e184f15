import { MINUTE_MS } from "../units";
import type { TimeAxis } from "./axis";

/** Sums on a coarser axis, with the share of each interval that had values (0 to 1; single precision serves a share). */
export interface CoveredSums {
  readonly sums: Float64Array;
  readonly coverageFrac: Float32Array;
}

/**
 * Energies of fine intervals summed onto an axis of the same or a coarser step; NaN values are left out and lower the
 * coverage. Where nothing was read the sum is NaN. Fine intervals outside the target axis are dropped.
 * Throws a RangeError when the target step is not a whole multiple of the fine one.
 */
export function sumOnto(values: Float64Array, from: TimeAxis, to: TimeAxis): CoveredSums {
  const ratio = to.stepMinutes / from.stepMinutes;
  if (!Number.isInteger(ratio)) throw new RangeError(`A ${to.stepMinutes} min axis can't be summed from ${from.stepMinutes} min`);
  const coverageFrac = new Float32Array(to.count);
  const shift = Math.round((from.startUtcMs - to.startUtcMs) / (from.stepMinutes * MINUTE_MS));
  if (ratio === 1 && shift === 0 && values.length === to.count) {
    // Of one value each sum is the value: nothing is copied.
    for (let i = 0; i < values.length; i++) coverageFrac[i] = Number.isNaN(values[i]) ? 0 : 1;
    return { sums: values, coverageFrac };
  }
  const sums = new Float64Array(to.count);
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    const target = Math.floor((i + shift) / ratio);
    if (Number.isNaN(value) || target < 0 || target >= to.count) continue;
    sums[target]! += value;
    // Counted first and divided after: thirds add up to one.
    coverageFrac[target]! += 1;
  }
  for (let i = 0; i < to.count; i++) {
    if (coverageFrac[i] === 0) sums[i] = Number.NaN;
    coverageFrac[i]! /= ratio;
  }
  return { sums, coverageFrac };
}
