import { Matrix, solve } from "ml-matrix";
import { medianOf, seededUniform } from "../../statistics";
import { MAD_TO_DEVIATION } from "../../units";
import type { ClearDays } from "./clear-days";
import { type DayLevels, dayLevels, levelsOf } from "./day-levels";
import {
  ANY_DEG,
  BEND,
  CONTRAST,
  DRAWS,
  FREE_TILT_DEG,
  HELD_CLOCK_MIN,
  HELD_TILT_DEG,
  NUDGE_BEND,
  NUDGE_DEG,
  ROUNDS,
  SEED,
  TERMS,
  WORTH_HOURS,
} from "./thresholds";

/** Energy of every hour of the clear days with the arrays turned and tilted from the book. */
export type RunWithOffset = (azimuthOffsetDeg: number, tiltOffsetDeg: number) => Float64Array;

export interface Fitted {
  readonly planeOffset: number;
  readonly steeper: number;
  readonly clock: number;
  readonly contrast: number;
  /** How much less than its light a plant makes of weak light: output grows as its power 1 + bend. */
  readonly bend: number;
}

const bounded = (value: number, most: number): number => Math.max(-most, Math.min(most, value));

/** Gauss-Newton from a starting point. */
export function fitPlane(picked: ClearDays, run: RunWithOffset, start: Fitted, known: Known): { fitted: Fitted; rows: Rows } {
  let fitted = start;
  // Flat modules look nowhere: one run serves all rounds.
  const flat = levelled(picked, run(0, FLAT_DEG));
  let rows = straighten(picked, run, flat, fitted);
  const once = new Int32Array(picked.days).fill(1);
  for (let round = 0; round < ROUNDS; round++) {
    const [planeOffset, steeper, clock, contrast, bend] = solveDays(daySums(rows, picked.days), once, rows.at, known);
    fitted = {
      bend: bounded(fitted.bend + bounded(bend, 0.2), 0.4),
      contrast: bounded(fitted.contrast + bounded(contrast, 0.3), 0.6),
      planeOffset: fitted.planeOffset + bounded(planeOffset, 25),
      steeper: bounded(fitted.steeper + bounded(steeper, 12), 60),
      clock: bounded(clock, 90),
    };
    if (Math.abs(planeOffset) < 0.05 && Math.abs(steeper) < 0.05) break;
    rows = straighten(picked, run, flat, fitted);
  }
  return { fitted, rows };
}

/** What a curve misses of the clear hours, as a share of their mean: each day at its own level, or at the curve's. */
export function missOf(picked: ClearDays, kwh: Float64Array, isScaled = false): number {
  const { use, dayOf, meteredKwh, days } = picked;
  const gain = isScaled ? new Float64Array(days).fill(1) : levelsOf(picked, kwh);
  let [miss, sum, count] = [0, 0, 0];
  for (let i = 0; i < use.length; i++) {
    if (use[i] === 0) continue;
    miss += (meteredKwh[i]! - gain[dayOf[i]!]! * kwh[i]!) ** 2;
    sum += meteredKwh[i]!;
    count++;
  }
  return Math.sqrt(miss / count) / (sum / count);
}

/** Output with weak hours made weaker, each day's energy kept. */
function bent(picked: ClearDays, kwh: Float64Array, bend: number): Float64Array {
  if (bend === 0) return kwh;
  const best = new Float64Array(picked.days);
  kwh.forEach((value, i) => {
    const day = picked.dayOf[i]!;
    if (value > best[day]!) best[day] = value;
  });
  const curve = kwh.map((value, i) => (value > 0 ? value * (value / best[picked.dayOf[i]!]!) ** bend : 0));
  const [before, after] = [new Float64Array(picked.days), new Float64Array(picked.days)];
  for (let i = 0; i < kwh.length; i++) {
    if (picked.use[i] === 0) continue;
    before[picked.dayOf[i]!]! += kwh[i]!;
    after[picked.dayOf[i]!]! += curve[i]!;
  }
  return curve.map((value, i) => {
    const day = picked.dayOf[i]!;
    return after[day]! > 0 ? (value * before[day]!) / after[day]! : value;
  });
}

/** The fit straightened at a point: what is missed, and how each parameter moves it, hour by hour. */
export interface Rows {
  readonly missed: Float64Array;
  readonly sensitivities: readonly Float64Array[];
  readonly day: Int32Array;
  /** How far each parameter already is from what is known of it beforehand. */
  readonly at: readonly number[];
  readonly missFrac: number;
  readonly levels: DayLevels;
}

/** Energy of a plane hour by hour, each day brought to the meter's level, and what that took. */
interface Curve {
  readonly kwh: Float64Array;
  readonly level: Float64Array;
}

/** Tilts off the book's at which any plane lies flat. */
const FLAT_DEG = -90;

function levelled(picked: ClearDays, kwh: Float64Array): Curve {
  const level = levelsOf(picked, kwh);
  return { level, kwh: kwh.map((value, i) => value * level[picked.dayOf[i]!]!) };
}

function straighten(picked: ClearDays, run: RunWithOffset, flatCurve: Curve, at: Fitted): Rows {
  const { use, dayOf, meteredKwh } = picked;
  const curveOf = (planeOffset: number, steeper: number): Curve => levelled(picked, run(planeOffset, steeper));
  const flat = flatCurve.kwh;
  const drawn = ({ kwh }: Curve): Float64Array =>
    bent(
      picked,
      kwh.map((value, i) => value + at.contrast * (value - flat[i]!)),
      at.bend,
    );
  const [plane, turnedOn, tiltedOn] = [
    curveOf(at.planeOffset, at.steeper),
    curveOf(at.planeOffset + NUDGE_DEG, at.steeper),
    curveOf(at.planeOffset, at.steeper + NUDGE_DEG),
  ];
  const base = drawn(plane);
  const weaker = bent(picked, base, NUDGE_BEND);
  const azimuthNudged = drawn(turnedOn);
  const tiltNudged = drawn(tiltedOn);
  const perMinute = picked.prepared.weather.axis.stepMinutes * 2;
  const kept = [...use.keys()].filter((i) => use[i] === 1);
  const column = (of: (i: number) => number): Float64Array => Float64Array.from(kept, of);
  return {
    missed: column((i) => meteredKwh[i]! - base[i]!),
    sensitivities: [
      column((i) => (azimuthNudged[i]! - base[i]!) / NUDGE_DEG),
      column((i) => (tiltNudged[i]! - base[i]!) / NUDGE_DEG),
      column((i) => -((base[i + 1] ?? 0) - (base[i - 1] ?? 0)) / perMinute),
      column((i) => (base[i]! - flat[i]!) / (1 + at.contrast)),
      column((i) => (weaker[i]! - base[i]!) / NUDGE_BEND),
    ],
    day: Int32Array.from(kept, (i) => dayOf[i]!),
    at: [0, at.steeper, 0, at.contrast, at.bend],
    missFrac: missOf(picked, base, true),
    levels: dayLevels(
      { base: plane.level, flat: flatCurve.level, azimuthNudged: turnedOn.level, tiltNudged: tiltedOn.level },
      NUDGE_DEG,
      at.contrast,
    ),
  };
}

/**
 * What is known beforehand of turn, tilt, clock, contrast and bend, one deviation. Contrast is how much a plane differs from a flat one: sky models
 * part ways there. Weak light bends every day alike, morning and evening: without a term of its own it would pass for contrast.
 */
export type Known = readonly [number, number, number, number, number];

/**
 * Clocks are off by half hours or hardly at all, tilts by a mistaken entry or hardly at all. Where neither shows, both are held at the book, else the few
 * minutes and degrees that a sky model bends a day by would be taken out of the turn.
 */
export function knownOf(isClockFree: boolean, isTiltFree: boolean): Known {
  return [ANY_DEG, isTiltFree ? FREE_TILT_DEG : HELD_TILT_DEG, isClockFree ? 30 : HELD_CLOCK_MIN, CONTRAST, BEND];
}
/** The book's plane as it is. */
export const BOOK: Known = [1e-4, 1e-4, 1e-4, CONTRAST, BEND];

/** Parameters in the order of a row's sensitivities. */
type Solved = [turn: number, steeper: number, clock: number, contrast: number, bend: number];
/** Entries of a day's share of the normal equations: its matrix, row by row, then its right side. */
const ENTRIES = TERMS * TERMS + TERMS;

/** Each day's share of the normal equations, end to end; hours far off are weighed down. */
function daySums({ missed, sensitivities, day, levels }: Rows, days: number): Float64Array {
  const out = new Float64Array(days * ENTRIES);
  const scale = Math.max(1e-9, MAD_TO_DEVIATION * medianOf(missed.map(Math.abs)));
  const worth = Math.min(1, WORTH_HOURS / missed.length);
  for (let r = 0; r < missed.length; r++) {
    const far = Math.abs(missed[r]!) / (2.5 * scale);
    const weight = (worth * (far > 1 ? 1 / far : 1)) / (scale * scale);
    addRow(out, day[r]!, weight, sensitivities, missed, r);
  }
  for (let d = 0; d < days; d++) addRow(out, d, levels.weights[d]!, levels.sensitivities, levels.missed, d);
  return out;
}

/** Adds row r of the fit to its day's share. */
function addRow(
  out: Float64Array,
  day: number,
  weight: number,
  sensitivities: readonly Float64Array[],
  missed: Float64Array,
  r: number,
): void {
  const first = day * ENTRIES;
  for (let a = 0; a < TERMS; a++) {
    const left = weight * sensitivities[a]![r]!;
    for (let b = 0; b < TERMS; b++) out[first + a * TERMS + b]! += left * sensitivities[b]![r]!;
    out[first + TERMS * TERMS + a]! += left * missed[r]!;
  }
}

/** Least squares over days, each as often as `times` says, with what is known beforehand. */
function solveDays(sums: Float64Array, times: Int32Array, at: readonly number[], known: Known): Solved {
  const all = new Float64Array(ENTRIES);
  for (let d = 0; d < times.length; d++) {
    const count = times[d]!;
    if (count > 0) for (let k = 0; k < ENTRIES; k++) all[k]! += count * sums[d * ENTRIES + k]!;
  }
  for (let a = 0; a < TERMS; a++) {
    const precision = 1 / known[a]! ** 2;
    all[a * TERMS + a]! += precision;
    all[TERMS * TERMS + a]! -= precision * at[a]!;
  }
  const normal = Matrix.from1DArray(TERMS, TERMS, all.subarray(0, TERMS * TERMS));
  const solved = solve(normal, Matrix.columnVector(all.subarray(TERMS * TERMS))).to1DArray();
  return [solved[0]!, solved[1]!, solved[2]!, solved[3]!, solved[4]!];
}

/** Samples whole days. */
export function bootstrapPlane(rows: Rows, known: Known, days: number): [Float64Array, Float64Array, Float64Array] {
  const uniform = seededUniform(SEED);
  const out: [Float64Array, Float64Array, Float64Array] = [new Float64Array(DRAWS), new Float64Array(DRAWS), new Float64Array(DRAWS)];
  const sums = daySums(rows, days);
  const times = new Int32Array(days);
  for (let draw = 0; draw < DRAWS; draw++) {
    times.fill(0);
    for (let k = 0; k < days; k++) times[Math.floor(uniform() * days)]!++;
    const solved = solveDays(sums, times, rows.at, known);
    out[0][draw] = solved[0];
    out[1][draw] = solved[1];
    out[2][draw] = solved[2];
  }
  return out;
}
