import { medianOf } from "../../statistics";
import { DAYS_PER_YEAR } from "../../units";
import { ON_FRAC } from "../ceiling/thresholds";
import type { AttributionFrame } from "../record/frame";
import {
  AT_CEILING_HOUR_FRAC,
  BINS,
  CEILING_LOAD,
  CLEAR,
  DIM_LOAD,
  HALVINGS,
  LEAST_HELD_HOURS,
  LEAST_HOURS,
  LEVELS,
  LINE_FROM,
  MOST_BEND,
  MOST_DIM_BEND,
  MOST_LEVEL,
  STEADY,
  USUAL_BAND,
} from "./thresholds";

/** Metered over owed by load: what rating, sensor, meter and the model's own bends do all year alike, and no dated cause does. */
export interface LoadCurve {
  /** Kept share in each of equal bins of load, from none to the ceiling. */
  readonly retained: Float64Array;
  /** Sum over sum, all loads together, before it was held. */
  readonly levelFrac: number;
}

/** The same share at every load. */
export function flatCurve(levelFrac: number): LoadCurve {
  const level = Math.max(1 - MOST_LEVEL, Math.min(1 + MOST_LEVEL, levelFrac));
  return { retained: new Float64Array(BINS).fill(level), levelFrac };
}

/** How long the readings lay on the ceiling. */
export interface TimeAtCeiling {
  /** 0 where the readings are too coarse to count it. */
  readonly hours: number;
  /** Deviation of the readings inside each hour, as a share of its mean; null where they don't tell. */
  readonly swingFrac: Float64Array | null;
}

/** `expectedKwh` is what each hour owes with dirt, ageing and strings put in, and no ceiling; `held` is null without a ceiling. */
export function loadCurve(
  frame: AttributionFrame,
  expectedKwh: Float64Array,
  spoilt: Uint8Array,
  ceilingKwh: number,
  timeAtCeiling: TimeAtCeiling | null,
): LoadCurve {
  const { axis, days, meteredKwh, read, lit } = frame;
  const [expected, meteredSum, hours] = [new Float64Array(BINS), new Float64Array(BINS), new Float64Array(BINS)];
  const byDay = { expected: new Float64Array(days.keys.length), meteredSum: new Float64Array(days.keys.length) };
  const usable = (i: number): boolean => read[i] === 1 && lit[i] === 1 && spoilt[i] === 0 && expectedKwh[i]! > 0;
  for (let i = 0; i < axis.count; i++) {
    if (!usable(i)) continue;
    byDay.expected[days.binOf[i]!]! += Math.min(ceilingKwh, expectedKwh[i]!);
    byDay.meteredSum[days.binOf[i]!]! += meteredKwh[i]!;
  }
  let [allExpected, allMetered] = [0, 0];
  for (let i = 0; i < axis.count; i++) {
    if (!usable(i)) continue;
    const day = days.binOf[i]!;
    if (Math.abs(byDay.meteredSum[day]! / byDay.expected[day]! - 1) > USUAL_BAND) continue;
    if (expectedKwh[i]! < CEILING_LOAD * ceilingKwh) {
      allExpected += expectedKwh[i]!;
      allMetered += meteredKwh[i]!;
    }
    const bin = Math.min(BINS - 1, Math.floor((expectedKwh[i]! / ceilingKwh) * BINS));
    // Sorted by what the model owes, a bright bin collects the hours that the model takes for too bright: only steady clear ones tell there.
    if (bin >= LINE_FROM * BINS && !isSteady(frame, i)) continue;
    expected[bin]! += expectedKwh[i]!;
    meteredSum[bin]! += meteredKwh[i]!;
    hours[bin]! += 1;
  }
  const free = Math.floor(CEILING_LOAD * BINS);
  const levelFrac = allExpected > 0 ? allMetered / allExpected : 1;
  const level = Math.max(1 - MOST_LEVEL, Math.min(1 + MOST_LEVEL, levelFrac));
  const atCeiling = timeAtCeiling && retainedAtCeiling(frame, expectedKwh, spoilt, ceilingKwh, timeAtCeiling);
  const line = atCeiling === null ? lineThrough(expected, meteredSum, free, levelFrac) : () => atCeiling;
  const retained = Float64Array.from({ length: BINS }, (_, bin) => {
    const load = (bin + 0.5) / BINS;
    const isKnown = bin < free && hours[bin]! >= LEAST_HOURS;
    const bend = (isKnown ? meteredSum[bin]! / expected[bin]! : line(load)) / levelFrac - 1;
    const most = load < DIM_LOAD ? MOST_DIM_BEND : MOST_BEND;
    return level * (1 + Math.max(-most, Math.min(most, bend)));
  });
  return { retained, levelFrac };
}

/**
 * Kept share at the ceiling, from how long the plant was held there: at it, as much of the bright hours' time has to lie on the ceiling. What
 * is cut off can't be seen, but its duration can. Null where the plant is hardly ever held.
 */
function retainedAtCeiling(
  frame: AttributionFrame,
  expectedKwh: Float64Array,
  spoilt: Uint8Array,
  ceilingKwh: number,
  { hours: counted, swingFrac }: TimeAtCeiling,
): number | null {
  const { axis, read, meteredKwh } = frame;
  const bright: { readonly load: number; readonly swing: number }[] = [];
  let whole = 0;
  for (let i = 0; i < axis.count; i++) {
    if (read[i] === 0 || spoilt[i] === 1) continue;
    if (expectedKwh[i]! > 0.7 * ceilingKwh) bright.push({ load: expectedKwh[i]! / ceilingKwh, swing: swingFrac?.[i] ?? 0 });
    if (meteredKwh[i]! > AT_CEILING_HOUR_FRAC * ceilingKwh) whole++;
  }
  const hours = counted > 0 ? counted : whole;
  if (hours < LEAST_HELD_HOURS) return null;
  const top = counted > 0 ? 1 - ON_FRAC : 1;
  const heldAt = (level: number): number => bright.reduce((sum, { load, swing }) => sum + timeAbove(level * load, swing, top), 0);
  let [low, high]: [number, number] = [...LEVELS];
  if (heldAt(low) > hours || heldAt(high) < hours) return null;
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (heldAt(middle) < hours) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Share of an hour for which a power that swings evenly about its mean lies above a limit. */
function timeAbove(mean: number, swing: number, limit: number): number {
  // An even swing reaches as far as its deviation by the root of three.
  const reach = Math.sqrt(3) * swing * mean;
  if (mean - reach >= limit) return 1;
  return mean + reach <= limit ? 0 : (mean + reach - limit) / (2 * reach);
}

function isSteady({ clearness }: AttributionFrame, i: number): boolean {
  const here = clearness[i]!;
  return here > CLEAR && Math.abs(here - (clearness[i - 1] ?? here)) < STEADY && Math.abs(here - (clearness[i + 1] ?? here)) < STEADY;
}

/** Weighted straight line through the brighter bins that no ceiling touches. */
function lineThrough(expected: Float64Array, meteredSum: Float64Array, free: number, level: number): (load: number) => number {
  let [w, x, y, xx, xy] = [0, 0, 0, 0, 0];
  for (let bin = Math.floor(LINE_FROM * BINS); bin < free; bin++) {
    if (!(expected[bin]! > 0)) continue;
    const load = (bin + 0.5) / BINS;
    const ratio = meteredSum[bin]! / expected[bin]!;
    w += expected[bin]!;
    x += expected[bin]! * load;
    y += expected[bin]! * ratio;
    xx += expected[bin]! * load * load;
    xy += expected[bin]! * load * ratio;
  }
  const spread = w * xx - x * x;
  if (!(spread > 1e-9)) return () => level;
  const slope = (w * xy - x * y) / spread;
  return (load) => y / w + slope * (load - x / w);
}

/** Kept share at a load (owed over the ceiling), on straight lines between the bins' middles. */
export function retainedAt({ retained }: LoadCurve, load: number): number {
  const place = Math.max(0, Math.min(BINS - 1.001, load * BINS - 0.5));
  const k = Math.floor(place);
  return retained[k]! + (retained[k + 1]! - retained[k]!) * (place - k);
}

/** Level of what is left when dirt and ageing are put back: the median of the days. */
export function levelOf(cleanLog: Float64Array, ageAtStart: number, perYear: number): number {
  const level = Math.exp(medianOf(cleanLog.map((log, d) => log - Math.log(1 - perYear * Math.max(0, ageAtStart + d / DAYS_PER_YEAR)))));
  return Number.isNaN(level) ? 1 : level;
}
