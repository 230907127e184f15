import { normalFrom, seededUniform } from "../../statistics";
import { dirtOf, type RefinedFit } from "./fit";
import { FIXED_SEED, MOST_TOGETHER, OTHER_FITS } from "./thresholds";

/**
 * What the correction of dirt may be off by, in the log, by day: fits drawn about the best one by its own covariance, widened for days that hang together.
 * Source: Efron & Tibshirani, 1993, An introduction to the bootstrap (parametric).
 */
export function otherFits({ fit, lost, columns }: RefinedFit): Float64Array[] {
  const uniform = seededUniform(FIXED_SEED);
  const widened = Math.sqrt(together(fit.residuals));
  return Array.from({ length: OTHER_FITS }, () => {
    const normals = Float64Array.from(fit.coefficients, () => widened * normalFrom(uniform));
    const other = dirtOf(columns, fit.drawn(normals), lost.length);
    return other.map((value, d) => Math.log(1 - lost[d]!) - Math.log(1 - value));
  });
}

/** So many days tell what one alone would: (1 + r) / (1 - r) for residuals that follow the day before by r. Source: Bayley & Hammersley, 1946, The "effective" number of independent observations in an autocorrelated time series. */
function together(residuals: Float64Array): number {
  let [square, carried] = [0, 0];
  for (let d = 1; d < residuals.length; d++) {
    const [before, now] = [residuals[d - 1]!, residuals[d]!];
    if (Number.isNaN(before) || Number.isNaN(now)) continue;
    square += now * now;
    carried += before * now;
  }
  const follows = square > 0 ? Math.max(0, carried / square) : 0;
  return Math.min(MOST_TOGETHER, (1 + follows) / Math.max(1e-6, 1 - follows));
}
