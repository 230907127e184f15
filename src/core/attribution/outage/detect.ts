import type { AttributionFrame } from "../record/frame";
import { sureSnowfallSteps } from "../snow/detect";
import { SNOWING_C } from "../snow/thresholds";
import {
  ABRUPT_FRAC,
  DIM_FRAC,
  LEAST_RATED_HOURS,
  MILD_C,
  MILD_HOURS,
  MILD_LIGHT_FRAC,
  MILD_WITHIN_HOURS,
  NOTHING_FRAC,
  PARTLY_FRAC,
  STILL_RATED_HOURS,
  WHITE_HOURS,
  WHOLE_FRAC,
} from "./thresholds";

/** Steps [from, to) in which the whole plant stood still, its partial first and last steps among them. */
export interface Outage {
  readonly from: number;
  readonly to: number;
}

export interface OutageEvidence {
  /** Share of AC output lost on every step. */
  readonly downFrac: Float64Array;
  readonly outages: readonly Outage[];
}

/** Steps at which snow may have fallen unseen: where neither snow nor rain was read, in any air this cold. */
function maybeSnowing(frame: AttributionFrame): Uint8Array {
  const { snowDepthCm, rainMm, airTempC } = frame.weather;
  if (snowDepthCm || rainMm) return new Uint8Array(frame.axis.count);
  return Uint8Array.from(airTempC, (celsius) => (celsius <= SNOWING_C ? 1 : 0));
}

/** Finds standstill under light. `usual` is the plant's own ratio by day; `covered` marks steps at which snow may lie on the modules. */
export function outageEvidence(frame: AttributionFrame, usual: Float64Array, covered: Uint8Array): OutageEvidence {
  const { axis, days, openKwh, meteredKwh, read, lit, ratedKwh } = frame;
  const cold = maybeSnowing(frame);
  const fall = sureSnowfallSteps(frame).map((sure, i) => sure | cold[i]!);
  const around = (hours: number): number => Math.round((hours * 60) / axis.stepMinutes);
  const downFrac = new Float64Array(axis.count);
  const outages: Outage[] = [];
  const bright = (i: number): boolean => read[i] === 1 && lit[i] === 1 && openKwh[i]! > DIM_FRAC * ratedKwh;
  const still = (i: number): boolean => meteredKwh[i]! <= NOTHING_FRAC * openKwh[i]!;
  const share = (i: number): number => meteredKwh[i]! / (openKwh[i]! * usual[days.binOf[i]!]!);
  for (let i = 0; i < axis.count; i++) {
    if (!bright(i) || !still(i)) continue;
    let last = i;
    let lost = 0;
    for (let k = i; k < axis.count; k++) {
      if (!bright(k)) continue;
      if (!still(k)) break;
      last = k;
      lost += openKwh[k]!;
    }
    const [before, after] = [neighbour(i, -1), neighbour(last, 1)];
    const enough = lost >= (LEAST_RATED_HOURS * ratedKwh * 60) / axis.stepMinutes;
    if (
      enough &&
      !isLoneDay(before, i, last, after) &&
      (!whiteAround(i, last) || isAbrupt(before, i) || isSwitched(before, i, last, after) || isBackAtOnce(last, after))
    ) {
      const partly = (k: number | null): boolean => k !== null && share(k) < PARTLY_FRAC && Math.abs(k - (k < i ? i : last)) <= 2;
      const from = partly(before) ? before! : i;
      const to = (partly(after) ? after! : last) + 1;
      for (let k = from; k < to; k++) downFrac[k] = openKwh[k]! > 0 ? Math.min(1, Math.max(0, 1 - share(k))) : 0;
      for (let k = i; k <= last; k++)
        if (openKwh[k]! > 0 && !(read[k] === 1 && meteredKwh[k]! > NOTHING_FRAC * openKwh[k]!)) downFrac[k] = 1;
      outages.push({ from, to });
    }
    i = last;
  }
  return { downFrac, outages };

  /** One calendar day's total of nothing between usual days: a doubtful reading, which the quality of the readings tells of. */
  function isLoneDay(before: number | null, first: number, last: number, after: number | null): boolean {
    return frame.resolution === "days" && sameDay(first, last) && isWhole(before, -1) && isWhole(after, 1);
  }

  /** Whether snow may lie on the modules, or fell shortly before. */
  function whiteAround(first: number, last: number): boolean {
    const from = first - around(WHITE_HOURS);
    return covered.subarray(first, last + 1).includes(1) || fell(from, last + 1);
  }

  function fell(from: number, to: number): boolean {
    return fall.subarray(Math.max(0, from), to).includes(1);
  }

  /** A plant that ran well an hour before, with no snow falling, was switched off and not snowed in. */
  function isAbrupt(before: number | null, first: number): boolean {
    return before !== null && sameDay(before, first) && share(before) > ABRUPT_FRAC && !fell(before - 1, first + around(3));
  }

  /** From the whole to nothing between two steps of light with no snow falling; and back in the same way, or still for long before any fell. */
  function isSwitched(before: number | null, first: number, last: number, after: number | null): boolean {
    if (before === null || !isWhole(before, -1) || fell(before - 1, first + around(3))) return false;
    return (isWhole(after, 1) && !fell(last, (after ?? last) + 1)) || ratedHoursBeforeSnow(first, last) > STILL_RATED_HOURS;
  }

  function ratedHoursBeforeSnow(first: number, last: number): number {
    let expectedKwh = 0;
    for (let k = first; k <= last && fall[k] === 0; k++) if (openKwh[k]! > 0) expectedKwh += openKwh[k]!;
    return (expectedKwh / ratedKwh) * (axis.stepMinutes / 60);
  }

  /** Whether a step and the one beyond it give what is usual. */
  function isWhole(step: number | null, way: 1 | -1): boolean {
    const beyond = step === null ? null : neighbour(step, way);
    return step !== null && beyond !== null && share(step) >= WHOLE_FRAC && share(beyond) >= WHOLE_FRAC;
  }

  /** Snow lets go bit by bit: a plant that gave nothing in mild bright hours, and then all at once, was switched on and not thawed. */
  function isBackAtOnce(last: number, after: number | null): boolean {
    if (!isWhole(after, 1)) return false;
    let mild = 0;
    for (let k = Math.max(0, last - around(MILD_WITHIN_HOURS)); k <= last; k++)
      if (bright(k) && still(k) && openKwh[k]! > MILD_LIGHT_FRAC * ratedKwh && frame.weather.airTempC[k]! > MILD_C) mild++;
    return mild >= around(MILD_HOURS);
  }

  function sameDay(a: number, b: number): boolean {
    return days.binOf[a] === days.binOf[b];
  }

  /** The next step with light, before or after. */
  function neighbour(from: number, way: 1 | -1): number | null {
    for (let k = from + way; k >= 0 && k < axis.count && Math.abs(k - from) < (1440 / axis.stepMinutes) * 2; k += way)
      if (bright(k)) return k;
    return null;
  }
}
