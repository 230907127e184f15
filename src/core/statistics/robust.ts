import { median, medianAbsoluteDeviation, quantile } from "simple-statistics";

type Values = Iterable<number> | ArrayLike<number>;

function known(values: Values): number[] {
  if (Array.isArray(values)) return (values as number[]).filter((value) => !Number.isNaN(value));
  const typed = values instanceof Float64Array ? values : Float64Array.from(values as ArrayLike<number>);
  // The package's selection takes any array of numbers, and copies it; a typed one spares boxing.
  let missing = 0;
  for (let i = 0; i < typed.length; i++) if (Number.isNaN(typed[i]!)) missing++;
  if (missing === 0) return typed as unknown as number[];
  const out = new Float64Array(typed.length - missing);
  let next = 0;
  for (let i = 0; i < typed.length; i++) if (!Number.isNaN(typed[i]!)) out[next++] = typed[i]!;
  return out as unknown as number[];
}

/** Median without missing values; NaN of none. */
export function medianOf(values: Values): number {
  const kept = known(values);
  return kept.length > 0 ? median(kept) : Number.NaN;
}

/** Median absolute deviation without missing values; NaN of none. */
export function spreadOf(values: Values): number {
  const kept = known(values);
  return kept.length > 0 ? medianAbsoluteDeviation(kept) : Number.NaN;
}

/** Quantile (0 to 1) without missing values; NaN of none. Of a value without an end and one with, the endless one stands. */
export function quantileOf(values: Values, share: number): number {
  const kept = known(values);
  if (kept.length === 0) return Number.NaN;
  const found = quantile(kept, share);
  return Number.isNaN(found) ? endless(kept, share) : found;
}

/** Between two values the package draws a straight line, which there is none of to infinity. */
function endless(values: readonly number[], share: number): number {
  const sorted = Float64Array.from(values).sort();
  const place = (sorted.length - 1) * share;
  const [low, high] = [sorted[Math.floor(place)]!, sorted[Math.ceil(place)]!];
  return low === Number.NEGATIVE_INFINITY ? low : high;
}
