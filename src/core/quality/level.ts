import { medianOf } from "../statistics";
import { MINUTE_MS } from "../units";
import { type Examined, startOf } from "./examined";
import type { Finding } from "./finding";

const WINDOW = 30;
const LONG = 120;
/** Soiling and seasons move the ratio by this much within weeks; a swapped device does so in a day. */
const LEAST_STEP_FRAC = 0.1;
const LEAST_LONG_FRAC = 0.06;
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
    const best = p + around.reduce((at, step, k) => (Math.abs(step) > Math.abs(around[at]!) ? k : at), 0);
    if (isStep(ratios, best)) found.push(stepFinding(x, kept, ratios, best));
    p = best + WINDOW;
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
