import { medianError, medianOf, Z_95 } from "../statistics";
import { DAYS_PER_YEAR } from "../units";

/** A fall soon after commissioning that is apart from the slope, as a share, with its 95 % interval. */
export interface FirstStep {
  readonly frac: number;
  readonly low: number;
  readonly high: number;
}

/** A record has to begin this early to see the fall at all, and the fall is over after this time. Source: Pingel et al., 2010, Initial degradation of industrial silicon solar cells. */
const EARLY_YEARS = 0.06;
const OVER_YEARS = 0.5;
const LINE_YEARS = 2;
const LEAST_DAYS = 6;

/** The first days against the line drawn back to them; null where the record begins too late or tells too little. */
export function firstStep(logIndex: Float64Array, slopeLog: number, ageAtStartYears: number): FirstStep | null {
  const ageOf = (d: number): number => ageAtStartYears + d / DAYS_PER_YEAR;
  if (ageAtStartYears > EARLY_YEARS || ageAtStartYears < -EARLY_YEARS) return null;
  const level = (from: number, to: number): number[] =>
    [...logIndex.keys()]
      .filter((d) => ageOf(d) >= from && ageOf(d) < to && !Number.isNaN(logIndex[d]!))
      .map((d) => logIndex[d]! - slopeLog * ageOf(d));
  const [early, later] = [level(-1, EARLY_YEARS), level(OVER_YEARS, LINE_YEARS)];
  if (early.length < LEAST_DAYS || later.length < 10 * LEAST_DAYS) return null;
  const fall = 1 - Math.exp(medianOf(later) - medianOf(early));
  const half = Z_95 * Math.hypot(medianError(early), medianError(later, later.length / 10));
  return { frac: fall, low: fall - half, high: fall + half };
}
