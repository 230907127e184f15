import { medianOf, type RidgeColumn, robustRidge } from "../../statistics";
import type { DayIndex } from "../record/day-index";
import { firstDirt, unitDirt, type Washing } from "../soiling/washing";
import { A_YEAR_DAYS, BESIDE_DAYS, CLOUD_FRAC, LEAST_YEAR_PAIRS, NEAR_BESIDE_DAYS, ROUNDS, SEASON_DAYS } from "./thresholds";

/** Rain that washes as much as most, by little and by much of it. */
const WASHINGS: readonly Washing[] = [
  { thresholdMm: 0, scaleMm: 3.5 },
  { thresholdMm: 3, scaleMm: 3.5 },
  { thresholdMm: 6, scaleMm: 6.5 },
];

export interface DirtDays {
  readonly index: DayIndex;
  /** Rain of each local day, mm. */
  readonly rainMm: Float64Array;
  readonly cleaned: ReadonlySet<number>;
}

export interface Step {
  /** Change of the level inside the stretch, in logarithms. */
  readonly step: number;
  /** Huber's loss of all days about it, in units of a scale. */
  lossAt(scale: number): number;
  readonly scale: number;
}

/** Days from so long before a stretch to so long after. */
export const daysBeside = (from: number, to: number, count: number, beside = BESIDE_DAYS): readonly [number, number] => [
  Math.max(0, from - beside),
  Math.min(count, to + beside),
];

/**
 * The step of the level in the days [from, to) beside what dirt that grows and is washed about them explains, and clouds. Dirt that a rain takes
 * away looks like a part that came back, and a lucky day before like its loss: only what is left beside dirt is a part's. Days outside `window`
 * are not asked.
 */
export function stepBesideDirt(dirt: DirtDays, from: number, to: number, window: readonly [number, number]): Step {
  return fitBesideDirt(dirt, { from, to }, window);
}

/**
 * Whether a part that was out and came back tells the days better than dirt that grew at a pace of its own and was gone on the day of the part's end, by rain or by a
 * cleaning that nobody wrote down; for what each takes to say: the part has two days and a size, the dirt a day and a pace. Half the logarithm of the days is the price of a term. Source: Schwarz, 1978, Estimating the dimension of a model.
 */
export function isBeyondCleaning(dirt: DirtDays, from: number, to: number): boolean {
  const window = daysBeside(from, to, dirt.rainMm.length, NEAR_BESIDE_DAYS);
  const part = fitBesideDirt(dirt, { from, to }, window);
  const wiped = [to - 1, to, to + 1].map((day) => {
    const own = { ...dirt, cleaned: new Set([...dirt.cleaned, day]) };
    return fitBesideDirt(own, null, window, { from: lastWashed(dirt, from, window[0]), to: day });
  });
  const scale = Math.min(part.scale, ...wiped.map((fit) => fit.scale));
  const price = Math.log(part.rows) / 2;
  return part.lossAt(scale) + PART_TERMS * price < Math.min(...wiped.map((fit) => fit.lossAt(scale))) + DIRT_TERMS * price;
}

const PART_TERMS = 3;
const DIRT_TERMS = 2;
/** Rain of a day that washes modules, mm. */
const WASHED_MM = 3;

/** The last day before one on which dirt began anew. */
function lastWashed({ rainMm, cleaned }: DirtDays, before: number, first: number): number {
  for (let d = before - 1; d > first; d--) if (rainMm[d]! > WASHED_MM || cleaned.has(d)) return d;
  return first;
}

function fitBesideDirt(
  { index, rainMm, cleaned }: DirtDays,
  stretch: { readonly from: number; readonly to: number } | null,
  window: readonly [number, number],
  spell: { readonly from: number; readonly to: number } | null = null,
): Step & { readonly rows: number } {
  const [first, last] = window;
  const days = last - first;
  const log = Float64Array.from({ length: days }, (_, d) => {
    const ratio = index.ratio[first + d]!;
    return ratio > 0.15 && ratio < 1.6 ? Math.log(ratio) : Number.NaN;
  });
  const weight = index.weight.subarray(first, last);
  const free = (values: Float64Array): RidgeColumn => ({ values, prior: 0, priorDeviation: Number.POSITIVE_INFINITY });
  const lost = (values: Float64Array): RidgeColumn => ({ ...free(values.map((value) => -value)), leastZero: true });
  const level = free(new Float64Array(days).fill(1));
  const inside = stretch
    ? [free(Float64Array.from({ length: days }, (_, d) => (first + d >= stretch.from && first + d < stretch.to ? 1 : 0)))]
    : [];
  const pace = spell
    ? [lost(Float64Array.from({ length: days }, (_, d) => (first + d >= spell.from && first + d < spell.to ? first + d - spell.from : 0)))]
    : [];
  const cloud = { values: index.cloud.slice(first, last), prior: 0, priorDeviation: CLOUD_FRAC };
  const wiped = Uint8Array.from({ length: days }, (_, d) => (cleaned.has(first + d) ? 1 : 0));
  const fits = WASHINGS.map((washing) => {
    const setting = { days, rainMm: rainMm.subarray(first, last), cleaned: wiped, washing };
    return robustRidge([...inside, level, lost(unitDirt(setting, 0, days)), lost(firstDirt(setting)), ...pace, cloud], log, weight, ROUNDS);
  });
  const scale = Math.min(...fits.map((fit) => fit.scale));
  const best = fits.reduce((a, b) => (b.lossAt(scale) < a.lossAt(scale) ? b : a));
  return { step: stretch ? best.coefficients[0]! : 0, scale, rows: best.rows, lossAt: (unit) => best.lossAt(unit) };
}

/**
 * Whether a level that fell is still down in the same season of the next year: one that was only high for a season is back by then. Where no days a year apart tell, it
 * is taken to be.
 */
export function isDownAYearLater({ index: { ratio } }: Pick<DirtDays, "index">, from: number, to: number, lostFrac: number): boolean {
  const changes: number[] = [];
  for (let day = Math.max(0, from - SEASON_DAYS); day < from; day++) {
    const later = day + A_YEAR_DAYS;
    if (later >= from && later < Math.min(to, ratio.length) && ratio[day]! > 0.15 && ratio[later]! > 0.15)
      changes.push(Math.log(ratio[later]! / ratio[day]!));
  }
  return changes.length < LEAST_YEAR_PAIRS || medianOf(changes) < Math.log(1 - lostFrac) / 2;
}
