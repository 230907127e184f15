import { normalFrom, seededUniform, togetherOf } from "../../statistics";
import { dirtOf, type RefinedFit } from "./fit";
import { FIXED_SEED, MOST_TOGETHER, OTHER_FITS } from "./thresholds";

/**
 * What the correction of dirt may be off by, in the log, by day: fits drawn about the best one by its own covariance, widened for days that hang together.
 * Source: Efron & Tibshirani, 1993, An introduction to the bootstrap (parametric).
 */
export function otherFits({ fit, lost, columns }: RefinedFit): Float64Array[] {
  const uniform = seededUniform(FIXED_SEED);
  const widened = Math.sqrt(togetherOf(fit.residuals, MOST_TOGETHER));
  return Array.from({ length: OTHER_FITS }, () => {
    const normals = Float64Array.from(fit.coefficients, () => widened * normalFrom(uniform));
    const other = dirtOf(columns, fit.drawn(normals), lost.length);
    return other.map((value, d) => Math.log(1 - lost[d]!) - Math.log(1 - value));
  });
}
