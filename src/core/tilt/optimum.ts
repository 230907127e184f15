import { type EnergyTable, scheduleKwh, TILT_STEPS } from "./energy-table";
import { dayWeights, leastMonthKwhPerDay, monthDays, monthOf, type TiltGoal } from "./goals";
import { DAYS, dayOfText, type TiltStep, textOfDay } from "./schedule";

/** Change dates are first sought on this many equal slots of the year, then day by day. */
const SLOTS = 73;
const SLOT_DAYS = 5;
/** Rounds in which the darkest months gain weight. */
const ROUNDS = 30;
const PULL = 6;

export interface Wish {
  readonly goal: TiltGoal;
  readonly positions: number;
  readonly latitudeDeg: number;
  readonly priceByMonth: readonly number[] | null;
}

/**
 * Best tilts and change dates of a rack with so many positions a year: exact over slots of five days and whole degrees by dynamic
 * programming around the year, then dates by the day and tilts by the tenth of a degree. For "flattest" the weights of the months are
 * moved toward the darkest until its mean day rises no more. Source: Bellman, 1957, Dynamic programming; weights by Arora, Hazan & Kale, 2012.
 */
export function bestSchedule(table: EnergyTable, wish: Wish): TiltStep[] {
  const weights = dayWeights(wish.goal, wish.latitudeDeg, wish.priceByMonth);
  if (wish.goal !== "flattest") {
    const sums = weighted(table, weights);
    return refined(sums, coarseStarts(sums, wish.positions, null), true);
  }
  let best: TiltStep[] | null = null;
  let bestLeast = Number.NEGATIVE_INFINITY;
  let steps: TiltStep[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const last = round === ROUNDS - 1;
    const sums = weighted(table, weights);
    const near = round === 0 || last ? null : slotOf(steps[0]!);
    steps = refined(sums, coarseStarts(sums, wish.positions, near), last);
    const days = scheduleKwh(table, steps);
    const least = leastMonthKwhPerDay(days);
    if (least > bestLeast) [best, bestLeast] = [steps, least];
    leanToDark(weights, days, round);
  }
  return best!;
}

/** Moves weight to the months whose mean day is low, ever more gently. */
function leanToDark(weights: Float64Array, days: Float64Array, round: number): void {
  const sums = new Float64Array(12);
  days.forEach((kwh, day) => {
    sums[monthOf(day)]! += kwh / monthDays(monthOf(day));
  });
  const mean = sums.reduce((a, b) => a + b, 0) / 12;
  const pull = PULL / Math.sqrt(round + 1);
  for (let day = 0; day < DAYS; day++) weights[day] = Math.max(1e-6, weights[day]! * Math.exp(-pull * (sums[monthOf(day)]! / mean - 1)));
  const top = weights.reduce((a, b) => Math.max(a, b), 0);
  for (let day = 0; day < DAYS; day++) weights[day] = Math.max(1e-6, weights[day]! / top);
}

/** Running sums over two years of weighted energy, a row a day with a value a tilt, so that any span of days around the year is one subtraction. */
type Sums = Float64Array;

function weighted({ kwh }: EnergyTable, weights: Float64Array): Sums {
  const sums = new Float64Array((2 * DAYS + 1) * TILT_STEPS);
  for (let day = 0, row = 0; day < 2 * DAYS; day++, row += TILT_STEPS) {
    const weight = weights[day % DAYS]!;
    for (let t = 0; t < TILT_STEPS; t++) sums[row + TILT_STEPS + t] = sums[row + t]! + kwh[t * DAYS + (day % DAYS)]! * weight;
  }
  return sums;
}

/** What one tilt gathers in the days [from, to), to running past the year's end. */
const gathered = (sums: Sums, tilt: number, from: number, to: number): number =>
  sums[to * TILT_STEPS + tilt]! - sums[from * TILT_STEPS + tilt]!;

/** The tilt that gathers most. */
function bestTilt(sums: Sums, from: number, to: number): { tilt: number; value: number } {
  let tilt = 0;
  let value = Number.NEGATIVE_INFINITY;
  for (let t = 0, a = from * TILT_STEPS, b = to * TILT_STEPS; t < TILT_STEPS; t++) {
    const got = sums[b + t]! - sums[a + t]!;
    if (got > value) {
      tilt = t;
      value = got;
    }
  }
  return { tilt, value };
}

const slotOf = (step: TiltStep): number => Math.round(dayOfText(step.from) / SLOT_DAYS);

function refined(sums: Sums, coarse: readonly number[], byDay: boolean): TiltStep[] {
  const starts = byDay ? movedByDay(sums, coarse) : coarse;
  return starts.map((start, k) => {
    const next = starts[(k + 1) % starts.length]!;
    const to = next > start ? next : next + DAYS;
    return { from: textOfDay(start), tiltDeg: tenth(sums, start, to) };
  });
}

/** Peak of the parabola through the best whole degree and its neighbours, to a tenth. */
function tenth(sums: Sums, from: number, to: number): number {
  const { tilt } = bestTilt(sums, from, to);
  if (tilt === 0 || tilt === TILT_STEPS - 1) return tilt;
  const at = (t: number): number => gathered(sums, t, from, to);
  const [low, top, high] = [at(tilt - 1), at(tilt), at(tilt + 1)];
  const bend = low - 2 * top + high;
  const peak = bend < 0 ? tilt + (0.5 * (low - high)) / bend : tilt;
  return Math.round(peak * 10) / 10;
}

/** Between two rounds a change moves by no more than this many slots. */
const NEARBY = 6;

/** First days of the best spans on the grid of slots; `near` is a slot close to which one of them is known to lie, null for anywhere. */
function coarseStarts(sums: Sums, positions: number, near: number | null): number[] {
  if (positions === 1) return [0];
  const worth = slotWorth(sums);
  let best = { value: Number.NEGATIVE_INFINITY, starts: [0] };
  const from = near === null ? 0 : near - NEARBY;
  const to = near === null ? SLOTS : near + NEARBY + 1;
  for (let first = from; first < to; first++) {
    const found = bestFrom(worth, (first + SLOTS) % SLOTS, positions);
    if (found.value > best.value) best = found;
  }
  return best.starts.map((slot) => (slot % SLOTS) * SLOT_DAYS).sort((a, b) => a - b);
}

/** worth[a][n]: most that one tilt gathers in n slots from slot a on. */
function slotWorth(sums: Sums): Float64Array[] {
  return Array.from({ length: SLOTS }, (_, a) => {
    const row = new Float64Array(SLOTS + 1);
    for (let n = 1; n <= SLOTS; n++) row[n] = bestTilt(sums, a * SLOT_DAYS, (a + n) * SLOT_DAYS).value;
    return row;
  });
}

/** The best way to cut the year that begins at a slot into spans: best[k][n] covers n slots with k spans. */
function bestFrom(worth: readonly Float64Array[], first: number, positions: number): { value: number; starts: number[] } {
  let covered = worth[first]!;
  const cuts: Int32Array[] = [];
  for (let k = 2; k <= positions; k++) {
    const next = new Float64Array(SLOTS + 1).fill(Number.NEGATIVE_INFINITY);
    const cut = new Int32Array(SLOTS + 1);
    for (let n = k; n <= SLOTS; n++) {
      for (let m = k - 1; m < n; m++) {
        const value = covered[m]! + worth[(first + m) % SLOTS]![n - m]!;
        if (value > next[n]!) {
          next[n] = value;
          cut[n] = m;
        }
      }
    }
    covered = next;
    cuts.push(cut);
  }
  const starts: number[] = [];
  let n = SLOTS;
  for (let k = cuts.length - 1; k >= 0; k--) {
    n = cuts[k]![n]!;
    starts.unshift(first + n);
  }
  return { value: covered[SLOTS]!, starts: [first, ...starts] };
}

/** Every date moved by up to a slot, one after another, until nothing gains. */
function movedByDay(sums: Sums, from: readonly number[]): number[] {
  const starts = [...from];
  if (starts.length === 1) return starts;
  const span = (start: number, end: number): number => bestTilt(sums, start, end > start ? end : end + DAYS).value;
  for (let round = 0; round < 6; round++) {
    let moved = false;
    for (let k = 0; k < starts.length; k++) {
      const before = starts.at(k - 1)!;
      const after = starts[(k + 1) % starts.length]!;
      const value = (day: number): number => span(before, day) + span(day, after);
      let best = { day: starts[k]!, value: value(starts[k]!) };
      for (let shift = -SLOT_DAYS; shift <= SLOT_DAYS; shift++) {
        const day = (starts[k]! + shift + DAYS) % DAYS;
        const lies = before < after ? day > before && day < after : day > before || day < after;
        if (starts.length === 2 ? day === before : !lies) continue;
        const got = value(day);
        if (got > best.value + 1e-9) best = { day, value: got };
      }
      moved ||= best.day !== starts[k];
      starts[k] = best.day;
    }
    if (!moved) break;
  }
  return starts.sort((a, b) => a - b);
}
