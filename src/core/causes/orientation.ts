import { Matrix, solve } from "ml-matrix";
import { type PvArray, type Site, siteSegments } from "../site";
import { medianOf, quantileOf, seededUniform } from "../statistics";
import { type PreparedWeather, runPrepared } from "../yield";
import type { CauseBasis } from "./basis";

/** A fitted value with the interval that holds it in 95 of 100 cases. */
export interface FittedAngle {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** What the shape of clear days says of where the modules look. Turns are from the book: positive is clockwise, steeper, later. */
export interface OrientationEvidence {
  readonly turnDeg: FittedAngle;
  readonly steeperDeg: FittedAngle;
  readonly clockMinutes: FittedAngle;
  readonly days: number;
  readonly hours: number;
  /** Root mean square of what the curve misses, as a share of its mean: as the book has it, and as fitted. */
  readonly bookMissFrac: number;
  readonly fittedMissFrac: number;
  /** The book's plane can't have made these curves. */
  readonly isWrong: boolean;
  /** The book as it stood in the fitted stretch. */
  readonly site: Site;
  /** Steps of the axis from which on the fitted stretch stands, and where it ends. */
  readonly from: number;
  readonly to: number;
}

const CLEAR = 0.82;
const STEADY = 0.12;
const LOW_SUN = 0.12;
/** Hours under this share of a day's best see the sun at a grazing angle, where no model of the sky holds. */
const GRAZING_FRAC = 0.35;
const MOST_DAYS = 90;
const LEAST_DAYS = 8;
const LEAST_HOURS_A_DAY = 5;
const ROUNDS = 7;
const NUDGE_DEG = 2;
/** Bearings tried first, from the book's: a fit that starts on the wrong side of the sky ends there. */
const STARTS_DEG = [0, -50, 50, -110, 110, 180];
const DRAWS = 300;
const SEED = 20_417;
/** What sky models alone bend a clear day by, one side. Found on plants of other physics whose planes were right: up to 1.5 deg. */
const MODEL_TURN_DEG = 1.5;
const MODEL_STEEPER_DEG = 3;
const MODEL_CLOCK_MIN = 4;
/** Below this a turn costs under half a percent of the year and is no fault. */
const LEAST_TURN_DEG = 7;
const LEAST_STEEPER_DEG = 12;
/** A wrong plane must explain this much of the curve, as a share of its mean: sky models alone bend a right one by up to 2.5 %. */
const EXPLAINED_FRAC = 0.03;

/** Fits a common turn of all arrays, a change of tilt and a shift of the clock to the clear hours that no other cause holds. Null with too few clear days. */
export function orientationEvidence(basis: CauseBasis, spoilt: Uint8Array, ceilingKwh: number): OrientationEvidence | null {
  const segments = [...siteSegments(basis.site, basis.axis)].sort((a, b) => b.to - b.from - (a.to - a.from));
  const segment = segments[0];
  if (!segment) return null;
  const picked = pickDays(basis, spoilt, ceilingKwh, segment.from, segment.to);
  if (picked.days < LEAST_DAYS) return null;
  const run = (turnDeg: number, steeperDeg: number): Float64Array => runTurned(segment.site, picked.prepared, turnDeg, steeperDeg);
  const book = run(0, 0);
  const start = STARTS_DEG.map((turnDeg) => ({ turnDeg, miss: missOf(picked, turnDeg === 0 ? book : run(turnDeg, 0)) })).reduce((a, b) =>
    b.miss < 0.8 * a.miss ? b : a,
  );
  const open = fitTurn(picked, run, { turn: start.turnDeg, steeper: 0, clock: 0, contrast: 0 }, OPEN);
  const known = Math.abs(open.fitted.clock) > OFF_CLOCK_MIN ? OPEN : CLOCK_RIGHT;
  const { fitted, rows } = known === OPEN ? open : fitTurn(picked, run, open.fitted, known);
  const draws = redraw(rows, known, picked.days);
  const around = (value: number, k: 0 | 1 | 2, model: number): FittedAngle => {
    const half = Math.hypot((quantileOf(draws[k], 0.975) - quantileOf(draws[k], 0.025)) / 2, model);
    return { value, low: value - half, high: value + half };
  };
  const turned = ((fitted.turn + 540) % 360) - 180;
  const turnDeg = around(turned, 0, MODEL_TURN_DEG);
  const steeperDeg = around(fitted.steeper, 1, MODEL_STEEPER_DEG);
  const clockMinutes = around(fitted.clock, 2, MODEL_CLOCK_MIN);
  // The book's plane gets its own contrast, or a sky model's error would count against the plane.
  const bookFit = fitTurn(picked, run, { turn: 0, steeper: 0, clock: 0, contrast: 0 }, BOOK);
  const bookMiss = bookFit.rows.missFrac;
  const fittedMiss = rows.missFrac;
  const beyond = ({ value, low, high }: FittedAngle, least: number): boolean => Math.abs(value) > least && (low > 0 || high < 0);
  return {
    turnDeg,
    steeperDeg,
    clockMinutes,
    days: picked.days,
    hours: picked.use.reduce((sum, on) => sum + on, 0),
    bookMissFrac: bookMiss,
    fittedMissFrac: fittedMiss,
    isWrong:
      (beyond(turnDeg, LEAST_TURN_DEG) || beyond(steeperDeg, LEAST_STEEPER_DEG)) && bookMiss ** 2 - fittedMiss ** 2 > EXPLAINED_FRAC ** 2,
    site: segment.site,
    from: segment.from,
    to: segment.to,
  };
}

interface Fitted {
  readonly turn: number;
  readonly steeper: number;
  readonly clock: number;
  readonly contrast: number;
}

const bounded = (value: number, most: number): number => Math.max(-most, Math.min(most, value));

/** Gauss-Newton from a starting point. */
function fitTurn(
  picked: Picked,
  run: (turn: number, steeper: number) => Float64Array,
  start: Fitted,
  known: Known,
): { fitted: Fitted; rows: Rows } {
  let fitted = start;
  let rows = straighten(picked, run, fitted);
  for (let round = 0; round < ROUNDS; round++) {
    const [turn, steeper, clock, contrast] = solveRows(rows, known, null);
    fitted = {
      contrast: bounded(fitted.contrast + bounded(contrast, 0.3), 0.6),
      turn: fitted.turn + bounded(turn, 25),
      steeper: bounded(fitted.steeper + bounded(steeper, 12), 60),
      clock: bounded(clock, 90),
    };
    if (Math.abs(turn) < 0.05 && Math.abs(steeper) < 0.05) break;
    rows = straighten(picked, run, fitted);
  }
  return { fitted, rows };
}

/** The site with every array turned and tilted from the book, in its revisions too. */
export function turnedSite(site: Site, turnDeg: number, steeperDeg: number): Site {
  const bearing = (azimuthDeg: number): number => (((azimuthDeg + turnDeg) % 360) + 360) % 360;
  const tilt = (tiltDeg: number): number => Math.max(0, Math.min(90, tiltDeg + steeperDeg));
  const turn = <T extends Partial<PvArray>>(array: T): T => ({
    ...array,
    ...(array.azimuthDeg === undefined ? {} : { azimuthDeg: bearing(array.azimuthDeg) }),
    ...(array.tiltDeg === undefined ? {} : { tiltDeg: tilt(array.tiltDeg) }),
    ...(array.tiltSchedule === undefined
      ? {}
      : { tiltSchedule: array.tiltSchedule.map((entry) => ({ ...entry, tiltDeg: tilt(entry.tiltDeg) })) }),
  });
  const revisions = site.revisions.map((revision) => ({
    ...revision,
    change: Array.isArray(revision.change.arrays)
      ? { ...revision.change, arrays: (revision.change.arrays as Partial<PvArray>[]).map(turn) }
      : revision.change,
  }));
  return { ...site, arrays: site.arrays.map(turn), revisions };
}

interface Picked {
  readonly prepared: PreparedWeather;
  readonly meteredKwh: Float64Array;
  /** 1 where an hour is used for the fit. */
  readonly use: Uint8Array;
  readonly dayOf: Int32Array;
  readonly days: number;
}

/** Whole clear days, spread over the stretch, laid end to end. */
function pickDays(basis: CauseBasis, spoilt: Uint8Array, ceilingKwh: number, from: number, to: number): Picked {
  const { axis, days, openKwh, meteredKwh, read, lit, sun, clearness, weather } = basis;
  const good = (i: number): boolean =>
    read[i] === 1 &&
    lit[i] === 1 &&
    spoilt[i] === 0 &&
    sun.up[i]! > LOW_SUN &&
    clearness[i]! > CLEAR &&
    Math.abs(clearness[i]! - (clearness[i - 1] ?? 0)) < STEADY &&
    Math.abs(clearness[i]! - (clearness[i + 1] ?? 0)) < STEADY &&
    openKwh[i]! < 0.93 * ceilingKwh &&
    meteredKwh[i]! < 0.93 * ceilingKwh;
  const byDay = new Map<number, { first: number; last: number; good: number }>();
  for (let i = from; i < to; i++) {
    const day = days.binOf[i]!;
    const held = byDay.get(day) ?? { first: i, last: i, good: 0 };
    held.last = i;
    if (good(i)) held.good += axis.stepMinutes / 60;
    byDay.set(day, held);
  }
  const clear = [...byDay.values()].filter((day) => day.good >= LEAST_HOURS_A_DAY);
  const every = Math.max(1, clear.length / MOST_DAYS);
  const chosen = Array.from({ length: Math.min(clear.length, MOST_DAYS) }, (_, k) => clear[Math.floor(k * every)]!);
  const at: number[] = [];
  const dayOf: number[] = [];
  chosen.forEach((day, d) => {
    for (let i = day.first; i <= day.last; i++) {
      at.push(i);
      dayOf.push(d);
    }
  });
  const take = (column: Float64Array | null): Float64Array | null => column && Float64Array.from(at, (i) => column[i]!);
  const all = (column: Float64Array): Float64Array => Float64Array.from(at, (i) => column[i]!);
  const best = new Float64Array(chosen.length);
  at.forEach((i, k) => {
    if (meteredKwh[i]! > best[dayOf[k]!]!) best[dayOf[k]!] = meteredKwh[i]!;
  });
  const prepared: PreparedWeather = {
    sun: { ...sun, east: all(sun.east), north: all(sun.north), up: all(sun.up), extraterrestrialWm2: all(sun.extraterrestrialWm2) },
    weather: {
      axis: { ...axis, count: at.length },
      ghiWm2: take(weather.ghiWm2),
      dniWm2: take(weather.dniWm2),
      dhiWm2: take(weather.dhiWm2),
      poaWm2: take(weather.poaWm2),
      airTempC: all(weather.airTempC),
      windSpeedMs: all(weather.windSpeedMs),
      rainMm: null,
      snowDepthCm: null,
      albedo: null,
      filled: new Uint8Array(at.length),
      anyFilled: false,
    },
  };
  return {
    prepared,
    meteredKwh: all(meteredKwh),
    use: Uint8Array.from(at, (i, k) => (good(i) && meteredKwh[i]! > GRAZING_FRAC * best[dayOf[k]!]! ? 1 : 0)),
    dayOf: Int32Array.from(dayOf),
    days: chosen.length,
  };
}

function runTurned(site: Site, prepared: PreparedWeather, turnDeg: number, steeperDeg: number): Float64Array {
  const turned = turnedSite({ ...site, revisions: [], commissioned: null }, turnDeg, steeperDeg);
  const bins = { keys: ["2024-06"], binOf: new Uint16Array(prepared.weather.axis.count) };
  const still = { ...turned, arrays: turned.arrays.map((array) => ({ ...array, tiltSchedule: [] })) };
  return runPrepared(still, prepared, bins, { without: ["soiling", "snow", "ageing", "clipping", "downtime"] }).expectedKwh;
}

/** Level of each day, so that dirt and sensors do not bend the curve. */
function gains({ use, dayOf, days, meteredKwh }: Picked, kwh: Float64Array): Float64Array {
  const [paid, owed] = [new Float64Array(days), new Float64Array(days)];
  for (let i = 0; i < use.length; i++) {
    if (use[i] === 0) continue;
    paid[dayOf[i]!]! += meteredKwh[i]!;
    owed[dayOf[i]!]! += kwh[i]!;
  }
  return paid.map((sum, d) => (owed[d]! > 0 ? sum / owed[d]! : 1));
}

function missOf(picked: Picked, kwh: Float64Array, isScaled = false): number {
  const { use, dayOf, meteredKwh, days } = picked;
  const gain = isScaled ? new Float64Array(days).fill(1) : gains(picked, kwh);
  let [miss, sum, count] = [0, 0, 0];
  for (let i = 0; i < use.length; i++) {
    if (use[i] === 0) continue;
    miss += (meteredKwh[i]! - gain[dayOf[i]!]! * kwh[i]!) ** 2;
    sum += meteredKwh[i]!;
    count++;
  }
  return Math.sqrt(miss / count) / (sum / count);
}

/** The fit straightened at a point: what is missed, and how each parameter moves it, hour by hour. */
interface Rows {
  readonly missed: Float64Array;
  readonly moves: readonly [Float64Array, Float64Array, Float64Array, Float64Array];
  readonly day: Int32Array;
  /** How far each parameter already is from what is known of it beforehand. */
  readonly at: readonly [number, number, number, number];
  readonly missFrac: number;
}

function straighten(
  picked: Picked,
  run: (turn: number, steeper: number) => Float64Array,
  at: { turn: number; steeper: number; contrast: number },
): Rows {
  const { use, dayOf, meteredKwh } = picked;
  const scaled = (kwh: Float64Array): Float64Array => {
    const gain = gains(picked, kwh);
    return kwh.map((value, i) => value * gain[dayOf[i]!]!);
  };
  const flat = scaled(run(at.turn, -90));
  const drawn = (turn: number, steeper: number): Float64Array => {
    const curve = scaled(run(turn, steeper));
    return curve.map((value, i) => value + at.contrast * (value - flat[i]!));
  };
  const base = drawn(at.turn, at.steeper);
  const turned = drawn(at.turn + NUDGE_DEG, at.steeper);
  const tilted = drawn(at.turn, at.steeper + NUDGE_DEG);
  const perMinute = picked.prepared.weather.axis.stepMinutes * 2;
  const kept = [...use.keys()].filter((i) => use[i] === 1);
  const column = (of: (i: number) => number): Float64Array => Float64Array.from(kept, of);
  return {
    missed: column((i) => meteredKwh[i]! - base[i]!),
    moves: [
      column((i) => (turned[i]! - base[i]!) / NUDGE_DEG),
      column((i) => (tilted[i]! - base[i]!) / NUDGE_DEG),
      column((i) => -((base[i + 1] ?? 0) - (base[i - 1] ?? 0)) / perMinute),
      column((i) => (base[i]! - flat[i]!) / (1 + at.contrast)),
    ],
    day: Int32Array.from(kept, (i) => dayOf[i]!),
    at: [0, at.steeper, 0, at.contrast],
    missFrac: missOf(picked, base, true),
  };
}

/**
 * What is known beforehand of turn, tilt, clock and contrast, one deviation. Contrast is how much a plane differs from a flat one: sky models
 * part ways there by a quarter, and a tilt that took it up would drag the turn along. Clocks are off by half hours or hardly at all: only a shift beyond
 * OFF_CLOCK_MIN is let stand, else the few minutes that a sky model bends a day by would be taken out of the turn.
 */
type Known = readonly [number, number, number, number];
const OPEN: Known = [1e4, 3, 30, 0.3];
const CLOCK_RIGHT: Known = [1e4, 3, 1.5, 0.3];
/** The book's plane as it is. */
const BOOK: Known = [1e-4, 1e-4, 1e-4, 0.3];
const OFF_CLOCK_MIN = 18;

/** Parameters in the order of a row's moves. */
type Solved = [turn: number, steeper: number, clock: number, contrast: number];
const TERMS = 4;
/** Hours of many days repeat the same bend of a sky model: they weigh against what is known beforehand as this many do. */
const WORTH_HOURS = 30;

/** Least squares, hours far off weighed down; `times` repeats days for a redraw. */
function solveRows({ missed, moves, day, at }: Rows, known: Known, times: Int32Array | null): Solved {
  const scale = Math.max(1e-9, 1.4826 * medianOf(missed.map(Math.abs)));
  const worth = Math.min(1, WORTH_HOURS / missed.length);
  const normal = Matrix.zeros(TERMS, TERMS);
  const right = Matrix.zeros(TERMS, 1);
  for (let r = 0; r < missed.length; r++) {
    const count = times ? times[day[r]!]! : 1;
    if (count === 0) continue;
    const far = Math.abs(missed[r]!) / (2.5 * scale);
    const weight = (count * worth * (far > 1 ? 1 / far : 1)) / (scale * scale);
    for (let a = 0; a < TERMS; a++) {
      const left = weight * moves[a as 0 | 1 | 2 | 3][r]!;
      right.set(a, 0, right.get(a, 0) + left * missed[r]!);
      for (let b = 0; b < TERMS; b++) normal.set(a, b, normal.get(a, b) + left * moves[b as 0 | 1 | 2 | 3][r]!);
    }
  }
  for (let a = 0; a < TERMS; a++) {
    const precision = 1 / known[a]! ** 2;
    normal.set(a, a, normal.get(a, a) + precision);
    right.set(a, 0, right.get(a, 0) - precision * at[a]!);
  }
  const solved = solve(normal, right).to1DArray();
  return [solved[0]!, solved[1]!, solved[2]!, solved[3]!];
}

/** Redraws whole days. */
function redraw(rows: Rows, known: Known, days: number): [Float64Array, Float64Array, Float64Array] {
  const uniform = seededUniform(SEED);
  const out: [Float64Array, Float64Array, Float64Array] = [new Float64Array(DRAWS), new Float64Array(DRAWS), new Float64Array(DRAWS)];
  const times = new Int32Array(days);
  for (let draw = 0; draw < DRAWS; draw++) {
    times.fill(0);
    for (let k = 0; k < days; k++) times[Math.floor(uniform() * days)]!++;
    const solved = solveRows(rows, known, times);
    out[0][draw] = solved[0];
    out[1][draw] = solved[1];
    out[2][draw] = solved[2];
  }
  return out;
}
