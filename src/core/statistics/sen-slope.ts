import { medianOf } from "./robust";

export interface SenTerms {
  /** Two points have to lie further apart than this along x to tell a slope. */
  readonly leastApart: number;
  /** How many places on a point is paired with; all by default. */
  readonly reach?: number;
}

/**
 * Middle slope of y over x between pairs of points, and how many pairs told it; NaN of none. Missing values pair with nothing.
 * Source: Sen, 1968, Estimates of the regression coefficient based on Kendall's tau.
 */
export function senSlope(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  { leastApart, reach = Number.POSITIVE_INFINITY }: SenTerms,
): { readonly slope: number; readonly pairs: number } {
  const slopes: number[] = [];
  for (let i = 0; i < x.length; i++) {
    if (Number.isNaN(y[i])) continue;
    for (let k = i + 1; k <= Math.min(x.length - 1, i + reach); k++) {
      const apart = x[k]! - x[i]!;
      if (Math.abs(apart) > leastApart && !Number.isNaN(y[k])) slopes.push((y[k]! - y[i]!) / apart);
    }
  }
  return { slope: medianOf(slopes), pairs: slopes.length };
}
