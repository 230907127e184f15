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

/** Quantile (0 to 1) without missing values; NaN of none. */
export function quantileOf(values: Values, share: number): number {
  const kept = known(values);
  return kept.length > 0 ? quantile(kept, share) : Number.NaN;
}
