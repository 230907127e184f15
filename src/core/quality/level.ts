import { medianOf } from "../statistics";
import { MINUTE_MS } from "../units";
import { type Examined, startOf } from "./examined";
import type { Finding } from "./finding";

const WINDOW = 30;
const LONG = 120;
/** Soiling and seasons move the ratio by this much within weeks; a swapped device does so in a day. */
const LEAST_STEP_FRAC = 0.1;
const LEAST_LONG_FRAC = 0.06;
/** Days on either side of where medians part most within which the step is placed. */
const PLACED_DAYS = 15;
/** Rain that takes dirt off within a night or two, mm. Source: Kimber et al., 2006, The effect of soiling on large grid-connected photovoltaic systems in California. */
const WASHING_MM = 5;
const WASHED_DAYS = 2;
/** After a dry spell a light rain takes off what lies loose, mm. Source: Micheli & Muller, 2017, An investigation of the key parameters for predicting PV soiling losses. */
const LIGHT_MM = 1;
/** Days with less than that which make a dry spell. */
const DRY_DAYS = 20;
/** Days of a side that the place of a step needs at least. */
const LEAST_SIDE_DAYS = 10;
/** Both sides must lie flat: a decline before a jump back is dirt and rain. */
const FLAT_FRAC = 0.05;

/** Places from which on the series stands on another level: a device swapped, a string out, another meter. */
export function findLevelSteps(x: Examined): Finding[] {
  const { days } = x;
  if (!days.byWeather) return [];
  const kept = [...days.ratio.keys()].filter((d) => days.ratio[d]! > 0.35 && days.ratio[d]! < 2 && days.readFrac[d]! > 0.95);
  const ratios = kept.map((d) => days.ratio[d]!);
  const found: Finding[] = [];
  const steps = ratios.map((_, p) => (p < WINDOW || p > ratios.length - WINDOW ? 0 : stepAt(ratios, p, WINDOW)));
  for (let p = 0; p < steps.length; p++) {
    if (Math.abs(steps[p]!) < LEAST_STEP_FRAC) continue;
    const around = steps.slice(p, p + WINDOW);
    const rough = p + around.reduce((at, step, k) => (Math.abs(step) > Math.abs(around[at]!) ? k : at), 0);
    const best = placed(ratios, rough);
    if (isStep(ratios, best) && !isWashed(x, kept, ratios, best)) found.push(stepFinding(x, kept, ratios, best));
    p = rough + WINDOW;
  }
  return found;
}

const stepAt = (ratios: readonly number[], p: number, window: number): number =>
  medianOf(ratios.slice(p, p + window)) / medianOf(ratios.slice(Math.max(0, p - window), p)) - 1;

function isStep(ratios: readonly number[], p: number): boolean {
  const long = stepAt(ratios, p, LONG);
  const short = stepAt(ratios, p, WINDOW);
  return (
    Math.sign(long) === Math.sign(short) &&
    Math.abs(long) > LEAST_LONG_FRAC &&
    isFlat(ratios, p - WINDOW, p) &&
    isFlat(ratios, p, p + WINDOW)
  );
}

/** The day at which two levels fit the days about a step best: where medians part most lies days off when one side scatters. */
function placed(ratios: readonly number[], rough: number): number {
  const [from, to] = [Math.max(0, rough - WINDOW), Math.min(ratios.length, rough + WINDOW)];
  const [before, after] = [medianOf(ratios.slice(from, rough)), medianOf(ratios.slice(rough, to))];
  let [best, least] = [rough, Number.POSITIVE_INFINITY];
  for (let p = Math.max(LEAST_SIDE_DAYS, rough - PLACED_DAYS); p <= Math.min(ratios.length - LEAST_SIDE_DAYS, rough + PLACED_DAYS); p++) {
    let off = 0;
    for (let d = from; d < to; d++) off += Math.abs(ratios[d]! - (d < p ? before : after));
    if (off < least) [best, least] = [p, off];
  }
  return best;
}

/** Whether rain fell on the day of a rise, or shortly before: dirt that went in a night, and no device. */
function isWashed({ days: { rainMm } }: Examined, kept: readonly number[], ratios: readonly number[], p: number): boolean {
  if (!rainMm || stepAt(ratios, p, WINDOW) < 0) return false;
  const rainIn = (from: number, to: number): number =>
    rainMm.subarray(Math.max(0, from), Math.max(0, to)).reduce((sum, mm) => sum + (mm || 0), 0);
  const first = kept[p - 1]! - WASHED_DAYS;
  const mm = rainIn(first, kept[p]! + 1);
  return mm >= WASHING_MM || (mm >= LIGHT_MM && rainIn(first - DRY_DAYS, first) < LIGHT_MM);
}

/** Whether the two halves of a stretch stand on one level. */
function isFlat(ratios: readonly number[], from: number, to: number): boolean {
  const middle = Math.round((from + to) / 2);
  return Math.abs(medianOf(ratios.slice(middle, to)) / medianOf(ratios.slice(from, middle)) - 1) < FLAT_FRAC;
}

function stepFinding(x: Examined, kept: readonly number[], ratios: readonly number[], p: number): Finding {
  const at = startOf(x, Math.max(0, x.days.firstIndex + kept[p]! * x.days.perDay));
  const before = medianOf(ratios.slice(p - WINDOW, p));
  const after = medianOf(ratios.slice(p, p + WINDOW));
  return {
    kind: "level-step",
    fromUtcMs: at,
    toUtcMs: at + x.days.perDay * x.axis.stepMinutes * MINUTE_MS,
    count: x.days.perDay,
    kwh: null,
    confidenceFrac: 0.75,
    facts: { beforeRatio: before, afterRatio: after, changeFrac: after / before - 1 },
    remedy: null,
  };
}
