import type { AttributionFrame } from "../record/frame";
import { MOVED_CROWD, MOVED_FRAC, MOVED_LEAST_DAYS, MOVED_LEAST_FLAT, ON_MOVED_FRAC } from "./thresholds";

/** A ceiling that stands lower from a step on, to the end of the record: other firmware, a new agreement with the grid. */
export interface MovedCeiling {
  readonly from: number;
  readonly kwh: number;
  /** Days whose best hour lies on it. */
  readonly days: number;
}

/**
 * Seeks a day after which the plant never again comes near its ceiling and its best hours crowd at one power beneath it. A plant that ages, or a dull year, has no such crowd;
 * heat lowers single tops and lets others be. `owedKwh` is what each step owes with the ceiling as it was.
 */
export function movedCeiling(frame: AttributionFrame, owedKwh: (i: number) => number, ceilingKwh: number): MovedCeiling | null {
  const tops = dailyTops(frame, owedKwh);
  if (!tops.some(({ kwh }) => kwh > MOVED_FRAC * ceilingKwh)) return null;
  const last = tops.findLastIndex(({ kwh }) => kwh > MOVED_FRAC * ceilingKwh);
  const after = tops.slice(last + 1);
  if (after.length < MOVED_LEAST_DAYS) return null;
  // The very highest may be a gust of the meter.
  const kwh = after.map((top) => top.kwh).sort((a, b) => b - a)[2]!;
  const near = (from: number, to: number): number => after.filter((top) => top.kwh > from * kwh && top.kwh <= to * kwh).length;
  const flat = near(1 - ON_MOVED_FRAC, 1 + ON_MOVED_FRAC);
  const beneath = near(1 - 5 * ON_MOVED_FRAC, 1 - ON_MOVED_FRAC) / 2;
  const owing = after.filter((top) => top.owedKwh > kwh / MOVED_FRAC).length;
  if (flat < MOVED_LEAST_FLAT || flat < MOVED_CROWD * beneath || owing < MOVED_LEAST_FLAT) return null;
  const first = after.find((top) => top.kwh > (1 - ON_MOVED_FRAC) * kwh)!;
  return { from: first.from, kwh, days: flat };
}

interface Top {
  /** First step of the day. */
  readonly from: number;
  readonly kwh: number;
  readonly owedKwh: number;
}

/** The best step of each day that was read, and the most that it owed. */
function dailyTops({ axis, days, meteredKwh, read, lit }: AttributionFrame, owedKwh: (i: number) => number): Top[] {
  const tops: Top[] = [];
  let [from, kwh, owed] = [0, 0, 0];
  for (let i = 0; i <= axis.count; i++) {
    if (i === axis.count || days.binOf[i] !== days.binOf[from]) {
      if (kwh > 0) tops.push({ from, kwh, owedKwh: owed });
      [from, kwh, owed] = [i, 0, 0];
    }
    if (i === axis.count || read[i] === 0 || lit[i] === 0) continue;
    if (meteredKwh[i]! > kwh) kwh = meteredKwh[i]!;
    const due = owedKwh(i);
    if (due > owed) owed = due;
  }
  return tops;
}
