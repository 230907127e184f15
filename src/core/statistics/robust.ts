import { median, medianAbsoluteDeviation, quantile } from "simple-statistics";

/** Typed, so that the package's selection runs on plain numbers. */
const known = (values: Iterable<number> | ArrayLike<number>): number[] =>
  (values instanceof Float64Array ? values : Float64Array.from(values as ArrayLike<number>)).filter(
    (value) => !Number.isNaN(value),
  ) as unknown as number[];

/** Median without missing values; NaN of none. */
export function medianOf(values: Iterable<number>): number {
  const kept = known(values);
  return kept.length > 0 ? median(kept) : Number.NaN;
}

/** Median absolute deviation without missing values; NaN of none. */
export function spreadOf(values: Iterable<number>): number {
  const kept = known(values);
  return kept.length > 0 ? medianAbsoluteDeviation(kept) : Number.NaN;
}

/** Quantile (0 to 1) without missing values; NaN of none. */
export function quantileOf(values: Iterable<number>, share: number): number {
  const kept = known(values);
  return kept.length > 0 ? quantile(kept, share) : Number.NaN;
}
