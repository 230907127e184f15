/** A logistic curve with this slope is the normal distribution to within a hundredth. Source: Bowling et al., 2009, A logistic approximation to the cumulative normal distribution. */
const LOGISTIC = 1.702;

/**
 * How sure it is that what is lacking was lost, and is no scatter: half where it lacks one deviation. A month is counted for as much as it is sure, so that months that
 * only scatter add up to next to nothing.
 */
export const sureFrac = (lackKwh: number, deviationKwh: number): number =>
  deviationKwh > 0 ? 1 / (1 + Math.exp(-LOGISTIC * (lackKwh / deviationKwh - 1))) : 1;
