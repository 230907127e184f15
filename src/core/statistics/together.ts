/**
 * So many values of a series tell what one alone would: (1 + r) / (1 - r) for residuals that follow the one before by r, at most `most`. Missing ones are NaN.
 * Source: Bayley & Hammersley, 1946, The "effective" number of independent observations in an autocorrelated time series.
 */
export function togetherOf(residuals: Float64Array, most: number): number {
  let [square, carried] = [0, 0];
  for (let k = 1; k < residuals.length; k++) {
    const [before, now] = [residuals[k - 1]!, residuals[k]!];
    if (Number.isNaN(before) || Number.isNaN(now)) continue;
    square += now * now;
    carried += before * now;
  }
  const follows = square > 0 ? Math.max(0, carried / square) : 0;
  return Math.min(most, (1 + follows) / Math.max(1e-6, 1 - follows));
}
