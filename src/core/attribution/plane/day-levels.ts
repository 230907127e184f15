import { medianOf, spreadOf } from "../../statistics";
import { MAD_TO_DEVIATION } from "../../units";
import type { ClearDays } from "./clear-days";
import { LEAST_LEVEL, LEAST_RETAINED, LEAST_SCATTER, SEASON_FRAC, STRETCHES } from "./thresholds";

/** Metered over owed of each clear day. */
export function levelsOf({ use, dayOf, days, meteredKwh }: ClearDays, expectedKwh: Float64Array): Float64Array {
  const [meteredSum, expected] = [new Float64Array(days), new Float64Array(days)];
  for (let i = 0; i < use.length; i++) {
    if (use[i] === 0) continue;
    meteredSum[dayOf[i]!]! += meteredKwh[i]!;
    expected[dayOf[i]!]! += expectedKwh[i]!;
  }
  return meteredSum.map((sum, d) => (expected[d]! > 0 ? sum / expected[d]! : 1));
}

/** Levels of the days against each other, in logarithms: what a plane leaves of them, how each parameter moves them, and what each day weighs. */
export interface DayLevels {
  readonly missed: Float64Array;
  readonly sensitivities: readonly Float64Array[];
  readonly weights: Float64Array;
  /** What is missed, as a share, root mean square by weight. */
  readonly missFrac: number;
}

/** Levels of the same days by the plane tried, by a flat one, by one turned and by one tilted on by a nudge. */
export interface TriedLevels {
  readonly base: Float64Array;
  readonly flat: Float64Array;
  readonly azimuthNudged: Float64Array;
  readonly tiltNudged: Float64Array;
}

/**
 * A plane's tilt shows in how winter stands to summer, which no model of the sky takes up as readily as it takes up the shape of a day. All levels
 * may be off alike: modules, meter and irradiance sensor are.
 */
export function dayLevels(tried: TriedLevels, nudgeDeg: number, contrast: number): DayLevels {
  const days = tried.base.length;
  const log = (levels: Float64Array): Float64Array => levels.map((level) => Math.log(Math.max(LEAST_LEVEL, level)));
  const [base, flat] = [log(tried.base), log(tried.flat)];
  const slope = (levels: Float64Array): Float64Array => log(levels).map((level, d) => (base[d]! - level) / nudgeDeg);
  const overFlat = base.map((level, d) => 1 - Math.exp(level - flat[d]!));
  const retained = overFlat.map((over) => Math.max(LEAST_RETAINED, 1 + contrast * over));
  const left = base.map((level, d) => level - Math.log(retained[d]!));
  const weights = weightsOf(left);
  const centred = (values: Float64Array): Float64Array => {
    const mean = values.reduce((sum, value, d) => sum + value * weights[d]!, 0) / weights.reduce((a, b) => a + b, 0);
    return values.map((value) => value - mean);
  };
  const none = new Float64Array(days);
  const missed = centred(left);
  const sensitivities = [
    slope(tried.azimuthNudged),
    slope(tried.tiltNudged),
    none,
    overFlat.map((over, d) => over / retained[d]!),
    none,
  ].map(centred);
  return { missed, sensitivities: sensitivities, weights, missFrac: weightedRms(missed, weights) };
}

/** Days far off, snow on the modules or a string out, are weighed down. */
function weightsOf(left: Float64Array): Float64Array {
  const middle = medianOf(left);
  const scatter = Math.max(LEAST_SCATTER, MAD_TO_DEVIATION * spreadOf(left));
  const each = Math.min(1, STRETCHES / left.length) / SEASON_FRAC ** 2;
  return left.map((level) => {
    const far = Math.abs(level - middle) / (2.5 * scatter);
    return each * (far > 1 ? 1 / far : 1);
  });
}

function weightedRms(values: Float64Array, weights: Float64Array): number {
  const total = weights.reduce((a, b) => a + b, 0);
  return Math.sqrt(values.reduce((sum, value, d) => sum + weights[d]! * value * value, 0) / total);
}
