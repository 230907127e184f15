import type { DayIndex } from "../record/day-index";
import type { AttributionFrame } from "../record/frame";
import { LONG_UNTOLD_HOURS, UNTOLD_HOURS } from "./thresholds";

/**
 * The step of the axis at which hourly ratios part best, near a day, on days that tell of the level: snow and standstill part hours better than any part. Where nothing tells
 * for some days, their middle is off by the least; about a longer stretch all hours are asked after all. `way` is -1 where the level falls.
 */
export function stepNear(
  frame: AttributionFrame,
  { ratio }: Pick<DayIndex, "ratio">,
  firstDay: number,
  lastDay: number,
  way: 1 | -1,
): number {
  const { axis, days } = frame;
  const from = days.binOf.indexOf(Math.max(0, firstDay));
  const to = days.binOf.findLastIndex((day) => day <= lastDay) + 1;
  const parted = partedAt(frame, [from, to], way, (i) => !Number.isNaN(ratio[days.binOf[i]!]!));
  if (!parted) return from;
  const hours = ((parted.at - parted.before) * axis.stepMinutes) / 60;
  if (hours <= UNTOLD_HOURS) return parted.at;
  if (hours <= LONG_UNTOLD_HOURS) return Math.round((parted.at + parted.before) / 2);
  return partedAt(frame, [from, to], way, () => true)?.at ?? parted.at;
}

/** The lit step at which two levels tell the steps [from, to) best, and the one before it. */
function partedAt(
  { axis, openKwh, meteredKwh, read, lit, ratedKwh }: AttributionFrame,
  [from, to]: readonly [number, number],
  way: 1 | -1,
  tells: (i: number) => boolean,
): { readonly at: number; readonly before: number } | null {
  const at: number[] = [];
  const [expected, meteredSum] = [[0], [0]];
  for (let i = from; i < to; i++) {
    if (read[i] === 0 || lit[i] === 0 || !(openKwh[i]! > 0.1 * ratedKwh) || !tells(i)) continue;
    at.push(i);
    expected.push(expected.at(-1)! + openKwh[i]!);
    meteredSum.push(meteredSum.at(-1)! + meteredKwh[i]!);
  }
  const [allExpected, allMetered] = [expected.at(-1)!, meteredSum.at(-1)!];
  const gains = at.map((_, k) => {
    const [left, right] = [expected[k]!, allExpected - expected[k]!];
    return way * ((allMetered - meteredSum[k]!) / right - meteredSum[k]! / left) * Math.sqrt((left * right) / allExpected);
  });
  const best = gains.reduce((most, gain, k) => (k > 0 && gain > gains[most]! ? k : most), 1);
  if (at.length < 2) return null;
  const found = edgeOfUntold(at, best, axis.stepMinutes);
  return { at: at[found]!, before: at[found - 1]! };
}

/** A split within a day of a stretch that nobody can tell: single hours of a day part by heat and weak light as well, so that the stretch is it. */
function edgeOfUntold(at: readonly number[], best: number, stepMinutes: number): number {
  const steps = (hours: number): number => (hours * 60) / stepMinutes;
  const isUntold = (k: number): boolean => at[k]! - at[k - 1]! > steps(UNTOLD_HOURS);
  const isNear = (k: number): boolean => Math.min(Math.abs(at[k]! - at[best]!), Math.abs(at[k - 1]! - at[best]!)) <= steps(24);
  for (let off = 0; off < at.length; off++)
    for (const k of [best - off, best + off]) if (k > 0 && k < at.length && isNear(k) && isUntold(k)) return k;
  return best;
}
