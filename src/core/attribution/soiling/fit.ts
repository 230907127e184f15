import { type RidgeColumn, type RidgeFit, robustRidge } from "../../statistics";
import { DAYS_PER_YEAR } from "../../units";
import {
  BLOCK_DAYS,
  FINAL_ROUNDS,
  FIRST_DIRT_DEVIATION,
  FIRST_DIRT_PRIOR,
  LEAST_FIRST_DIRT_DEVIATION,
  LEAST_RATE_DEVIATION,
  MOST_DIRT_FRAC,
  RATE_DEVIATION,
  RATE_PRIOR,
  SEARCH_ROUNDS,
  SEASON_OF_RATE,
  STRAY_FRAC,
  USUAL_FIRST_DAYS,
  USUAL_FIRST_DEVIATION_DAYS,
} from "./thresholds";
import { firstDirt, type Setting, unitDirt } from "./washing";

/** What every fit of a record's dirt shares. */
export interface DirtProblem {
  readonly days: number;
  /** Log ratio by day; NaN where a day tells nothing. */
  readonly y: Float64Array;
  readonly weight: Float64Array;
  /** Terms that stand beside dirt. */
  readonly standing: readonly RidgeColumn[];
  readonly rainMm: Float64Array;
}

/** A fit of dirt: what washes when, and what it says. */
export interface DirtFit {
  readonly fit: RidgeFit;
  /** Share lost by day as it shows in the output. */
  readonly lost: Float64Array;
}

/** A setting of the search with its fit. */
export interface Candidate extends DirtFit {
  readonly setting: Setting;
  /** Growth a day, as a share. */
  readonly rate: number;
}

/** A fit whose rate swings with the seasons and strays block by block. */
export interface RefinedFit extends DirtFit {
  readonly rates: Float64Array;
  readonly columns: readonly Float64Array[];
}

/** How often a fit is linearised and reweighed, and the dirt that it begins from. */
interface FitTerms {
  readonly rounds: number;
  readonly reweighs: number;
  readonly from?: DirtFit;
}

type Prior = Omit<RidgeColumn, "values">;

/** How much better a second fit is than a first, in units of its scale: a middle deviation alone would not see two months gone astray. */
export const gainOver = (first: Pick<DirtFit, "fit">, second: Pick<DirtFit, "fit">): number =>
  first.fit.lossAt(second.fit.scale) - second.fit.lossAt(second.fit.scale);

/** One rate for the whole record under a setting; begins from another fit where there is one. */
export function fitOneRate(problem: DirtProblem, setting: Setting, from?: DirtFit): Candidate {
  const oneRate = unitDirt(setting, 0, problem.days);
  const { fit, lost } = fitDirt(
    problem,
    [oneRate, firstDirt(setting)],
    [
      { prior: RATE_PRIOR, priorDeviation: RATE_DEVIATION, leastZero: true },
      { prior: FIRST_DIRT_PRIOR, priorDeviation: FIRST_DIRT_DEVIATION, leastZero: true },
    ],
    from ? { rounds: 1, reweighs: SEARCH_ROUNDS, from } : { rounds: 2, reweighs: SEARCH_ROUNDS },
  );
  return { setting, fit, lost, rate: fit.coefficients[0]! };
}

/** Refines the one rate of a candidate: it swings with the seasons, and strays block by block. */
export function refine(problem: DirtProblem, candidate: Candidate): RefinedFit {
  const { setting, rate } = candidate;
  const { days } = problem;
  const starts = Array.from({ length: Math.ceil(days / BLOCK_DAYS) }, (_, k) => k * BLOCK_DAYS);
  const turn = (2 * Math.PI) / DAYS_PER_YEAR;
  const columns = [
    unitDirt(setting, 0, days),
    unitDirt(setting, 0, days, (d) => Math.cos(turn * d)),
    unitDirt(setting, 0, days, (d) => Math.sin(turn * d)),
    firstDirt(setting),
    ...starts.map((from) => unitDirt(setting, from, Math.min(days, from + BLOCK_DAYS))),
  ];
  const priors = [
    { prior: rate, priorDeviation: Math.max(2 * rate, LEAST_RATE_DEVIATION), leastZero: true },
    { prior: 0, priorDeviation: SEASON_OF_RATE * rate },
    { prior: 0, priorDeviation: SEASON_OF_RATE * rate },
    {
      prior: rate * USUAL_FIRST_DAYS,
      priorDeviation: Math.max(LEAST_FIRST_DIRT_DEVIATION, rate * USUAL_FIRST_DEVIATION_DAYS),
      leastZero: true,
    },
    ...starts.map(() => ({ prior: 0, priorDeviation: STRAY_FRAC * rate })),
  ];
  const refined = fitDirt(problem, columns, priors, { rounds: 2, reweighs: FINAL_ROUNDS, from: candidate });
  const [whole, cosine, sine] = refined.fit.coefficients;
  const rates = Float64Array.from(starts, (from, k) => {
    const middle = turn * (from + BLOCK_DAYS / 2);
    return Math.max(0, whole! + cosine! * Math.cos(middle) + sine! * Math.sin(middle) + refined.fit.coefficients[4 + k]!);
  });
  return { ...refined, rates, columns };
}

/** Gauss-Newton on the log ratio: ln(1 - s) is linearised at the dirt of the round before. */
function fitDirt(
  problem: DirtProblem,
  dirt: readonly Float64Array[],
  priors: readonly Prior[],
  { rounds, reweighs, from }: FitTerms,
): DirtFit {
  const { days, y, weight, standing } = problem;
  let lost: Float64Array = from?.lost ?? new Float64Array(days);
  let fit: RidgeFit | undefined = from?.fit;
  for (let round = 0; round < rounds; round++) {
    const target = y.map((value, d) => value - Math.log(1 - lost[d]!) - lost[d]! / (1 - lost[d]!));
    const columns: RidgeColumn[] = [...dirt.map((unit, k) => ({ ...priors[k]!, values: linearised(unit, lost) })), ...standing];
    fit = robustRidge(columns, target, weight, reweighs, fit);
    lost = dirtOf(dirt, fit.coefficients, days);
  }
  return { fit: fit!, lost };
}

/** Derivative of ln(1 - s) by the amount of one unit of dirt, at the dirt there is. */
function linearised(unit: Float64Array, lost: Float64Array): Float64Array {
  const values = new Float64Array(unit.length);
  for (let d = 0; d < unit.length; d++) if (unit[d] !== 0) values[d] = -unit[d]! / (1 - lost[d]!);
  return values;
}

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** A column of a block is nothing outside of it: where each begins and ends is looked up once. */
const stretches = new WeakMap<Float64Array, Stretch>();

function stretchOf(unit: Float64Array): Stretch {
  let stretch = stretches.get(unit);
  if (!stretch) {
    const from = unit.findIndex((value) => value !== 0);
    stretch = from < 0 ? { from: 0, to: 0 } : { from, to: unit.findLastIndex((value) => value !== 0) + 1 };
    stretches.set(unit, stretch);
  }
  return stretch;
}

export function dirtOf(dirt: readonly Float64Array[], coefficients: Float64Array, days: number): Float64Array {
  const lost = new Float64Array(days);
  for (let k = 0; k < dirt.length; k++) {
    const unit = dirt[k]!;
    const amount = coefficients[k]!;
    const { from, to } = stretchOf(unit);
    for (let d = from; d < to; d++) lost[d] = lost[d]! + amount * unit[d]!;
  }
  for (let d = 0; d < days; d++) lost[d] = Math.max(0, Math.min(MOST_DIRT_FRAC, lost[d]!));
  return lost;
}
