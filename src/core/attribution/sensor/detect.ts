import { medianAmong, medianError, medianOf, type RidgeColumn, robustRidge } from "../../statistics";
import { MAD_TO_DEVIATION } from "../../units";
import type { DayIndex } from "../record/day-index";
import { unitDirt } from "../soiling/washing";
import {
  BESIDE_DAYS,
  CLEAR_BESIDE_DAYS,
  CLOUD_FRAC,
  FALL_DEVIATIONS,
  LACK_DEVIATIONS,
  LATER_FRAC,
  LEAST_CLEAR_DAYS,
  LEAST_LOW_FRAC,
  MOST_LOW_FRAC,
  NEAR,
  ROUNDS,
  SPELL_DAYS,
  SUDDEN_FRAC,
  TERMS,
} from "./thresholds";

/** Days [from, to) over which the light sensor read ever lower, until its dome was wiped. */
export interface DirtyDome {
  readonly from: number;
  readonly to: number;
  /** By how much it read too low at the end. */
  readonly lowFrac: number;
  /** By how much clear days of its later half lack light against those about it. */
  readonly lightLackFrac: number;
}

export interface SensorDays {
  readonly index: DayIndex;
  readonly rainMm: Float64Array;
  readonly cleaned: ReadonlySet<number>;
  /** Log of a clear day's light over the brightest of its season; NaN where clouds are about. */
  readonly skyLog: Float64Array;
}

/**
 * Seeks weeks in which a dirty dome takes light from the sensor and not from the plant: metered over expected climbs, as no plant does by itself, and falls back in a day
 * when somebody wipes it; the light of clear days lacks as much against a cloudless sky. Dirt on the modules does the opposite.
 */
export function dirtyDomes(days: SensorDays): DirtyDome[] {
  const { index } = days;
  const known = [...index.ratio.keys()].filter((d) => index.ratio[d]! > 0.3 && index.ratio[d]! < 1.6 && index.weight[d]! > 0.2);
  const log = known.map((d) => Math.log(index.ratio[d]!));
  const falls = log.map((_, p) => (p < NEAR || p > log.length - NEAR ? 0 : fallAt(log, p)));
  const usualFall = MAD_TO_DEVIATION * medianOf(falls.map(Math.abs));
  const least = Math.max(SUDDEN_FRAC * LEAST_LOW_FRAC, FALL_DEVIATIONS * usualFall);
  const found: DirtyDome[] = [];
  for (let p = NEAR; p < falls.length - NEAR; p++) {
    if (falls[p]! < least || !isPeak(falls, p) || !mayLackLight(days, known[p]!)) continue;
    const spell = bestSpell(days, known[p]!);
    if (!spell || falls[p]! < SUDDEN_FRAC * spell.lowFrac) continue;
    const { lightLackFrac, errorFrac } = lackInLight(days, spell);
    if (!lacksLight({ lightLackFrac, errorFrac }, spell.lowFrac)) continue;
    const last = found.at(-1);
    if (last && spell.from < last.to) continue;
    found.push({ ...spell, lightLackFrac });
  }
  return found;
}

/** Nearer to what such a film takes in its later half than to nothing; without clear days nobody knows. */
const lacksLight = ({ lightLackFrac, errorFrac }: LackInLight, lowFrac: number): boolean =>
  lightLackFrac > Math.max((LATER_FRAC * lowFrac) / 2, LACK_DEVIATIONS * errorFrac);

/** Whether the least film of any length could be seen in the light before a day: to look is quick, to fit is not. */
const mayLackLight = (days: SensorDays, to: number): boolean =>
  SPELL_DAYS.some((length) => lacksLight(lackInLight(days, { from: to - length, to }), LEAST_LOW_FRAC));

/** By how much the level falls at a place among the days that tell. */
const fallAt = (log: readonly number[], p: number): number => medianAmong(log, p - NEAR, p) - medianAmong(log, p, p + NEAR);

function isPeak(falls: readonly number[], p: number): boolean {
  for (let k = Math.max(0, p - NEAR); k < Math.min(falls.length, p + NEAR); k++) if (falls[k]! > falls[p]!) return false;
  return true;
}

/** The film that was wiped on a day: how long it grew, and to what; null where the days are told as well without one. */
function bestSpell({ index, rainMm, cleaned }: SensorDays, to: number): Omit<DirtyDome, "lightLackFrac"> | null {
  const first = Math.max(0, to - SPELL_DAYS.at(-1)! - BESIDE_DAYS);
  const last = Math.min(index.ratio.length, to + BESIDE_DAYS);
  const count = last - first;
  const y = Float64Array.from({ length: count }, (_, d) => {
    const ratio = index.ratio[first + d]!;
    return ratio > 0.3 && ratio < 1.6 ? Math.log(ratio) : Number.NaN;
  });
  const weight = index.weight.subarray(first, last);
  const free = (values: Float64Array): RidgeColumn => ({ values, prior: 0, priorDeviation: Number.POSITIVE_INFINITY });
  const wiped = Uint8Array.from({ length: count }, (_, d) => (cleaned.has(first + d) ? 1 : 0));
  const washing = { thresholdMm: 3, scaleMm: 3.5 };
  const dirt = unitDirt({ days: count, rainMm: rainMm.subarray(first, last), cleaned: wiped, washing }, 0, count);
  const usual: RidgeColumn[] = [
    free(new Float64Array(count).fill(1)),
    { ...free(dirt.map((value) => -value)), leastZero: true },
    { values: index.cloud.slice(first, last), prior: 0, priorDeviation: CLOUD_FRAC },
  ];
  const plain = robustRidge(usual, y, weight, ROUNDS);
  const tries = SPELL_DAYS.filter((days) => to - days - first >= NEAR).map((days) => {
    const from = to - days;
    const film = Float64Array.from({ length: count }, (_, d) => filmAt(first + d, { from, to }));
    return { from, fit: robustRidge([{ ...free(film), leastZero: true }, ...usual], y, weight, ROUNDS) };
  });
  if (tries.length === 0) return null;
  const scale = Math.min(plain.scale, ...tries.map(({ fit }) => fit.scale));
  const best = tries.reduce((a, b) => (b.fit.lossAt(scale) < a.fit.lossAt(scale) ? b : a));
  // One that would rather have grown for longer than any is a season, or dirt that goes bit by bit.
  if (best === tries.at(-1)) return null;
  const lowFrac = 1 - Math.exp(-best.fit.coefficients[0]!);
  const price = TERMS * Math.log(Math.max(2, best.fit.rows));
  if (best.fit.lossAt(scale) + price > plain.lossAt(scale) || lowFrac < LEAST_LOW_FRAC || lowFrac > MOST_LOW_FRAC) return null;
  return { from: best.from, to, lowFrac };
}

/** How far the film has grown on a day, 0 to 1: evenly, as dirt on modules does in dry weather. Source: Kimber et al., 2006, The effect of soiling on large grid-connected photovoltaic systems in California. */
export const filmAt = (day: number, { from, to }: Pick<DirtyDome, "from" | "to">): number =>
  day < from || day >= to ? 0 : (day + 1 - from) / (to - from);

interface LackInLight {
  readonly lightLackFrac: number;
  readonly errorFrac: number;
}

/** By how much clear days of a spell's later half lack light against those about it; NaN with too few of them. */
function lackInLight({ skyLog }: SensorDays, { from, to }: Pick<DirtyDome, "from" | "to">): LackInLight {
  const known = (first: number, last: number): number[] =>
    [...skyLog.subarray(Math.max(0, first), Math.min(skyLog.length, last))].filter((value) => !Number.isNaN(value));
  const inside = known(Math.round((from + to) / 2), to);
  const beside = [...known(from - CLEAR_BESIDE_DAYS, from), ...known(to, to + CLEAR_BESIDE_DAYS)];
  if (inside.length < LEAST_CLEAR_DAYS || beside.length < LEAST_CLEAR_DAYS) return { lightLackFrac: Number.NaN, errorFrac: Number.NaN };
  return { lightLackFrac: medianOf(beside) - medianOf(inside), errorFrac: Math.hypot(medianError(beside), medianError(inside)) };
}

/** The index without what dirty domes lifted it by. */
export function withoutDomes(index: DayIndex, domes: readonly DirtyDome[]): DayIndex {
  if (domes.length === 0) return index;
  const ratio = index.ratio.map((value, day) => value * domes.reduce((left, dome) => left * (1 - dome.lowFrac * filmAt(day, dome)), 1));
  return { ...index, ratio };
}

/** Light of clear days without those of a dirty dome. */
export const withoutDomeDays = (clearLog: Float64Array, domes: readonly DirtyDome[]): Float64Array =>
  clearLog.map((value, day) => (domes.some(({ from, to }) => day >= from && day < to) ? Number.NaN : value));
