import type { TimeAxis } from "../series";
import { type LinearFit, leastSquares, studentT975, Z_95 } from "../statistics";
import { dayBins } from "../time";
import { MINUTE_MS } from "../units";
import { type FilterLine, filterIntervals } from "./filters";
import { type CapacityColumns, type TestIntervals, testIntervals } from "./intervals";
import { type CapacityTerms, LEAST_DAYS, LEAST_INTERVALS, type ReportingConditions } from "./terms";

/** Power by light, air and wind: light times (a1 + a2 light + a3 air + a4 wind), kW. The wind's is 0 where it was not measured. */
export interface CapacityFit {
  /** kW per W/m2, per (W/m2)2, per W/m2 and K, per W/m2 and m/s. */
  readonly coefficients: readonly [number, number, number, number];
  /** Standard errors of them, days being what is independent. */
  readonly errors: readonly [number, number, number, number];
  /** At the reporting conditions, kW. */
  readonly capacityKw: number;
  /** Root of the mean square that is left, kW. */
  readonly residualKw: number;
}

/** Whole, or why there is none. */
export type CapacityOutcome = "passed" | "failed" | "open" | "too-few" | "not-separable";

export interface CapacityReport {
  readonly outcome: CapacityOutcome;
  readonly axis: TimeAxis;
  readonly filters: readonly FilterLine[];
  readonly intervals: number;
  readonly days: number;
  readonly conditions: ReportingConditions | null;
  readonly hasWind: boolean;
  readonly metered: CapacityFit | null;
  readonly expected: CapacityFit | null;
  readonly targetKw: number | null;
  /** Metered capacity over the target. */
  readonly ratio: number | null;
  /** Half a 95 % interval of the ratio: by the scatter of the readings, by the light's gain, and both. */
  readonly scatterFrac: number | null;
  readonly lightFrac: number | null;
  readonly halfFrac: number | null;
  /** Light and powers of the kept intervals, for the picture. */
  readonly kept: readonly { readonly utcMs: number; readonly poaWm2: number; readonly meteredKw: number; readonly expectedKw: number }[];
}

/**
 * Capacity at reporting conditions by regression of power on light, air and wind over filtered intervals, of the meter and of the model alike, and whether
 * the meter's reaches what was agreed. The interval of their ratio takes each day as one: readings of a day err together.
 * Source: ASTM E2848; MacKinnon & White, 1985, Some heteroskedasticity-consistent covariance matrix estimators; Liang & Zeger, 1986, Longitudinal data analysis.
 */
export function capacityTest(columns: CapacityColumns, terms: CapacityTerms, ratedKw: number | null, timeZone: string): CapacityReport {
  const intervals = testIntervals(columns, terms.averageMinutes);
  const { axis } = intervals;
  const { lines, kept, conditions } = filterIntervals(intervals, terms, ratedKw);
  const { binOf } = dayBins(axis, timeZone);
  const dayOf = kept.map((i) => binOf[i]!);
  const days = new Set(dayOf).size;
  const hasWind = intervals.windSpeedMs !== null;
  const none = {
    ...{ axis, filters: lines, intervals: kept.length, days, conditions, hasWind },
    ...{
      metered: null,
      expected: null,
      targetKw: terms.targetKw,
      ratio: null,
      scatterFrac: null,
      lightFrac: null,
      halfFrac: null,
      kept: [],
    },
  };
  if (!conditions || kept.length < LEAST_INTERVALS || days < LEAST_DAYS) return { ...none, outcome: "too-few" };
  const design = designOf(intervals, kept);
  const fits = [intervals.meteredKw, intervals.expectedKw].map((column) =>
    leastSquares(
      design,
      Float64Array.from(kept, (i) => column[i]!),
    ),
  );
  const [metered, expected] = fits;
  if (!metered || !expected) return { ...none, outcome: "not-separable" };
  const point = pointOf(conditions, hasWind);
  const [meteredFit, expectedFit] = [metered, expected].map((fit) => told(fit, point, dayOf)) as [CapacityFit, CapacityFit];
  const targetKw = terms.targetKw ?? expectedFit.capacityKw;
  const ratio = meteredFit.capacityKw / targetKw;
  // Both fits share their design: what errs in the ratio is what is left of the one over its value less what is left of the other.
  const left = metered.residuals.map(
    (rest, k) => rest / meteredFit.capacityKw - (terms.targetKw === null ? expected.residuals[k]! / expectedFit.capacityKw : 0),
  );
  const scatterFrac = ratio * studentT975(days - 1) * errorByDay(metered.weightsAt(point), left, dayOf);
  return {
    ...none,
    ...heldAgainst(ratio, scatterFrac, terms),
    ...{ metered: meteredFit, expected: expectedFit, targetKw },
    kept: kept.map((i) => ({
      utcMs: axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS,
      poaWm2: intervals.poaWm2[i]!,
      meteredKw: intervals.meteredKw[i]!,
      expectedKw: intervals.expectedKw[i]!,
    })),
  };
}

/** The ratio with its interval, and on which side of the pass line it lies. */
function heldAgainst(ratio: number, scatterFrac: number, { passFrac, lightErrorFrac }: CapacityTerms) {
  const lightFrac = ratio * Z_95 * lightErrorFrac;
  const halfFrac = Math.hypot(scatterFrac, lightFrac);
  const outcome: CapacityOutcome = ratio - halfFrac >= passFrac ? "passed" : ratio + halfFrac < passFrac ? "failed" : "open";
  return { outcome, ratio, scatterFrac, lightFrac, halfFrac };
}

const pointOf = ({ poaWm2, airTempC, windSpeedMs }: ReportingConditions, hasWind: boolean): number[] => [
  poaWm2,
  poaWm2 ** 2,
  poaWm2 * airTempC,
  ...(hasWind ? [poaWm2 * windSpeedMs] : []),
];

const designOf = ({ poaWm2, airTempC, windSpeedMs }: TestIntervals, kept: readonly number[]): Float64Array[] =>
  [
    (i: number) => poaWm2[i]!,
    (i: number) => poaWm2[i]! ** 2,
    (i: number) => poaWm2[i]! * airTempC[i]!,
    ...(windSpeedMs ? [(i: number) => poaWm2[i]! * windSpeedMs[i]!] : []),
  ].map((term) => Float64Array.from(kept, term));

function told(fit: LinearFit, point: readonly number[], dayOf: readonly number[]): CapacityFit {
  const { coefficients, residuals } = fit;
  const unit = (k: number): number[] => coefficients.map((_, j) => (j === k ? 1 : 0));
  const errors = coefficients.map((_, k) => errorByDay(fit.weightsAt(unit(k)), residuals, dayOf));
  const four = (values: readonly number[]): [number, number, number, number] => [values[0]!, values[1]!, values[2]!, values[3] ?? 0];
  return {
    coefficients: four(coefficients),
    errors: four(errors),
    capacityKw: coefficients.reduce((sum, value, k) => sum + value * point[k]!, 0),
    residualKw: Math.sqrt(residuals.reduce((sum, rest) => sum + rest ** 2, 0) / residuals.length),
  };
}

/** Standard error of a weighted sum of residuals that err together within a day, with the correction for few days. */
function errorByDay(weights: Float64Array, residuals: Float64Array, dayOf: readonly number[]): number {
  const sums = new Map<number, number>();
  for (const [k, day] of dayOf.entries()) sums.set(day, (sums.get(day) ?? 0) + weights[k]! * residuals[k]!);
  const square = [...sums.values()].reduce((total, sum) => total + sum ** 2, 0);
  return Math.sqrt((square * sums.size) / (sums.size - 1));
}
