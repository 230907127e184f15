import { ON_FRAC } from "../ceiling/detect";
import type { CauseBasis } from "../record/frame";

/** Metered over owed by load: what rating, sensor, meter and the model's own bends do all year alike, and no dated cause does. */
export interface LoadCurve {
  /** Kept share in each of equal bins of load, from none to the ceiling. */
  readonly kept: Float64Array;
  /** Sum over sum, all loads together, before it was held. */
  readonly levelFrac: number;
}

const BINS = 20;
const LEAST_HOURS = 30;
/** From this load on the inverter may hold the plant: what lies above follows the line through the loads before. */
const HELD_LOAD = 0.88;
const LINE_FROM = 0.45;
/** A level further off than this is more than rating, sensor and meter can explain: what is beyond stays in the remainder. */
const MOST_LEVEL = 0.06;
const MOST_BEND = 0.08;
/** Dim hours may stray further: they weigh little, and sky models part ways there. */
const DIM_LOAD = 0.2;
const MOST_DIM_BEND = 0.3;
/** Days outside this band of their usual output are under a cause of their own. */
const USUAL_BAND = 0.25;

/** The same share at every load. */
export function flatCurve(levelFrac: number): LoadCurve {
  const held = Math.max(1 - MOST_LEVEL, Math.min(1 + MOST_LEVEL, levelFrac));
  return { kept: new Float64Array(BINS).fill(held), levelFrac };
}

/** How long the readings lay on the ceiling. */
export interface HeldTime {
  /** 0 where the readings are too coarse to count it. */
  readonly hours: number;
  /** Deviation of the readings inside each hour, as a share of its mean; null where they don't tell. */
  readonly swingFrac: Float64Array | null;
}

/** `owedKwh` is what each hour owes with dirt, ageing and strings put in, and no ceiling; `held` is null without a ceiling. */
export function loadCurve(
  basis: CauseBasis,
  owedKwh: Float64Array,
  spoilt: Uint8Array,
  ceilingKwh: number,
  held: HeldTime | null,
): LoadCurve {
  const { axis, days, meteredKwh, read, lit } = basis;
  const [owed, paid, hours] = [new Float64Array(BINS), new Float64Array(BINS), new Float64Array(BINS)];
  const byDay = { owed: new Float64Array(days.keys.length), paid: new Float64Array(days.keys.length) };
  const usable = (i: number): boolean => read[i] === 1 && lit[i] === 1 && spoilt[i] === 0 && owedKwh[i]! > 0;
  for (let i = 0; i < axis.count; i++) {
    if (!usable(i)) continue;
    byDay.owed[days.binOf[i]!]! += Math.min(ceilingKwh, owedKwh[i]!);
    byDay.paid[days.binOf[i]!]! += meteredKwh[i]!;
  }
  let [allOwed, allPaid] = [0, 0];
  for (let i = 0; i < axis.count; i++) {
    if (!usable(i)) continue;
    const day = days.binOf[i]!;
    if (Math.abs(byDay.paid[day]! / byDay.owed[day]! - 1) > USUAL_BAND) continue;
    if (owedKwh[i]! < HELD_LOAD * ceilingKwh) {
      allOwed += owedKwh[i]!;
      allPaid += meteredKwh[i]!;
    }
    const bin = Math.min(BINS - 1, Math.floor((owedKwh[i]! / ceilingKwh) * BINS));
    // Sorted by what the model owes, a bright bin collects the hours that the model takes for too bright: only steady clear ones tell there.
    if (bin >= LINE_FROM * BINS && !isSteady(basis, i)) continue;
    owed[bin]! += owedKwh[i]!;
    paid[bin]! += meteredKwh[i]!;
    hours[bin]! += 1;
  }
  const free = Math.floor(HELD_LOAD * BINS);
  const levelFrac = allOwed > 0 ? allPaid / allOwed : 1;
  const level = Math.max(1 - MOST_LEVEL, Math.min(1 + MOST_LEVEL, levelFrac));
  const atCeiling = held && keptAtCeiling(basis, owedKwh, spoilt, ceilingKwh, held);
  const line = atCeiling === null ? lineThrough(owed, paid, free, levelFrac) : () => atCeiling;
  const kept = Float64Array.from({ length: BINS }, (_, bin) => {
    const load = (bin + 0.5) / BINS;
    const told = bin < free && hours[bin]! >= LEAST_HOURS;
    const bend = (told ? paid[bin]! / owed[bin]! : line(load)) / levelFrac - 1;
    const most = load < DIM_LOAD ? MOST_DIM_BEND : MOST_BEND;
    return level * (1 + Math.max(-most, Math.min(most, bend)));
  });
  return { kept, levelFrac };
}

/** An hour that gives this much of the ceiling was held for all of it. */
const HELD_HOUR_FRAC = 0.97;
const LEAST_HELD_HOURS = 25;
/** The level at the ceiling lies between these. */
const LEVELS = [0.85, 1.1] as const;
const HALVINGS = 16;

/**
 * Kept share at the ceiling, from how long the plant was held there: at it, as much of the bright hours' time has to lie on the ceiling. What
 * is cut off can't be seen, but its duration can. Null where the plant is hardly ever held.
 */
function keptAtCeiling(
  basis: CauseBasis,
  owedKwh: Float64Array,
  spoilt: Uint8Array,
  ceilingKwh: number,
  { hours: counted, swingFrac }: HeldTime,
): number | null {
  const { axis, read, meteredKwh } = basis;
  const bright: { readonly load: number; readonly swing: number }[] = [];
  let whole = 0;
  for (let i = 0; i < axis.count; i++) {
    if (read[i] === 0 || spoilt[i] === 1) continue;
    if (owedKwh[i]! > 0.7 * ceilingKwh) bright.push({ load: owedKwh[i]! / ceilingKwh, swing: swingFrac?.[i] ?? 0 });
    if (meteredKwh[i]! > HELD_HOUR_FRAC * ceilingKwh) whole++;
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

const STEADY = 0.08;
const CLEAR = 0.75;

function isSteady({ clearness }: CauseBasis, i: number): boolean {
  const here = clearness[i]!;
  return here > CLEAR && Math.abs(here - (clearness[i - 1] ?? here)) < STEADY && Math.abs(here - (clearness[i + 1] ?? here)) < STEADY;
}

/** Weighted straight line through the brighter bins that no ceiling touches. */
function lineThrough(owed: Float64Array, paid: Float64Array, free: number, level: number): (load: number) => number {
  let [w, x, y, xx, xy] = [0, 0, 0, 0, 0];
  for (let bin = Math.floor(LINE_FROM * BINS); bin < free; bin++) {
    if (!(owed[bin]! > 0)) continue;
    const load = (bin + 0.5) / BINS;
    const ratio = paid[bin]! / owed[bin]!;
    w += owed[bin]!;
    x += owed[bin]! * load;
    y += owed[bin]! * ratio;
    xx += owed[bin]! * load * load;
    xy += owed[bin]! * load * ratio;
  }
  const spread = w * xx - x * x;
  if (!(spread > 1e-9)) return () => level;
  const slope = (w * xy - x * y) / spread;
  return (load) => y / w + slope * (load - x / w);
}

/** Kept share at a load (owed over the ceiling), on straight lines between the bins' middles. */
export function keptAt({ kept }: LoadCurve, load: number): number {
  const place = Math.max(0, Math.min(BINS - 1.001, load * BINS - 0.5));
  const k = Math.floor(place);
  return kept[k]! + (kept[k + 1]! - kept[k]!) * (place - k);
}
