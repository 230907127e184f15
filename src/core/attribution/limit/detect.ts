import { medianOf } from "../../statistics";
import type { AttributionFrame } from "../record/frame";
import { AT_CEILING_FRAC } from "../record/thresholds";
import { type MovedCeiling, movedCeiling } from "./moved";
import {
  BELOW_CEILING,
  DIM_FRAC,
  EXPECTED_ABOVE,
  EXPECTED_RANGE,
  FLAT_FRAC,
  FLAT_HOURS,
  LEAST_DAYS,
  LONGEST_UNSEEN_DAYS,
  SAME_FRAC,
  TOUCHED_FRAC,
} from "./thresholds";

/** Steps [from, to) in which something held the plant at one power below its ceiling: a limit of the grid, a setting, an inverter that throttles. */
export interface HeldLow {
  readonly from: number;
  readonly to: number;
  readonly powerKw: number;
  /** Days whose tops lie on it. */
  readonly days: number;
  /** The ceiling itself moved, and stays. */
  readonly isMoved?: boolean;
}

export interface CurtailedEvidence {
  /** Share of AC output lost on every step. */
  readonly lostFrac: Float64Array;
  /** 1 on every step that the limit may have cut, wholly or for a part of it. */
  readonly touched: Uint8Array;
  readonly spells: readonly HeldLow[];
}

/**
 * The most that a step may owe to tell of the level, on any day: where the ceiling moved, hours that the new one cuts are left out of the days before it too, or days
 * before and after would be read at unlike loads.
 */
export function tellingCeilingKwh({ spells }: CurtailedEvidence, { axis }: AttributionFrame, ceilingKwh: number): number {
  const moved = spells.find(({ isMoved }) => isMoved);
  return moved ? (TOUCHED_FRAC * moved.powerKw * axis.stepMinutes) / 60 / AT_CEILING_FRAC : ceilingKwh;
}

export const notCurtailed = (count: number): CurtailedEvidence => ({
  lostFrac: new Float64Array(count),
  touched: new Uint8Array(count),
  spells: [],
});

interface Top {
  readonly day: number;
  readonly kwh: number;
  readonly first: number;
  readonly last: number;
}

interface Held {
  readonly frame: AttributionFrame;
  readonly expected: (i: number) => number;
  readonly spoilt: Uint8Array;
  readonly ceilingKwh: number;
}

/** All that a lower ceiling cuts, against what the plant gave under its own; written into what is lost and touched. */
function heldBy(
  { from, kwh, days }: MovedCeiling,
  { frame: { axis, read, meteredKwh }, expected, spoilt, ceilingKwh }: Held,
  { lostFrac, touched }: Pick<CurtailedEvidence, "lostFrac" | "touched">,
): HeldLow {
  for (let i = from; i < axis.count; i++) {
    const due = Math.min(ceilingKwh, expected(i));
    if (read[i] === 0 || spoilt[i] === 1 || !(due > TOUCHED_FRAC * kwh)) continue;
    touched[i] = 1;
    // What an hour gave beneath the new ceiling its own light kept from it, not the ceiling.
    lostFrac[i] = Math.max(0, 1 - Math.max(meteredKwh[i]!, kwh) / due);
  }
  return { from, to: axis.count, powerKw: (kwh * 60) / axis.stepMinutes, days, isMoved: true };
}

/** Finds stretches of days whose tops are cut flat at one power. `usual` is the plant's own ratio by day; `spoilt` marks steps that another cause holds. */
export function curtailment(frame: AttributionFrame, usual: Float64Array, spoilt: Uint8Array, ceilingKwh: number): CurtailedEvidence {
  const { axis, days, openKwh, meteredKwh, read, lit, ratedKwh } = frame;
  const { lostFrac, touched } = notCurtailed(axis.count);
  const expected = (i: number): number => openKwh[i]! * usual[days.binOf[i]!]!;
  const spells: HeldLow[] = [];
  const moved = frame.resolution === "hours" ? movedCeiling(frame, (i) => Math.min(ceilingKwh, expected(i)), ceilingKwh) : null;
  if (moved) spells.push(heldBy(moved, { frame, expected, spoilt, ceilingKwh }, { lostFrac, touched }));
  const ceilingAt = (i: number): number => (moved && i >= moved.from ? moved.kwh : ceilingKwh);
  let open: Top[] = [];
  for (const { best, top } of tops()) {
    const [level, last] = [medianOf(open.map(({ kwh }) => kwh)), open.at(-1)];
    if (last && (best.kwh > (1 + SAME_FRAC) * level || best.day - last.day > LONGEST_UNSEEN_DAYS)) close();
    if (!top) continue;
    if (open.length > 0 && Math.abs(top.kwh / level - 1) > SAME_FRAC) close();
    open.push(top);
  }
  close();
  return { lostFrac, touched, spells };

  function close(): void {
    if (open.length >= LEAST_DAYS) {
      const kwh = medianOf(open.map((top) => top.kwh));
      const [from, to] = [open[0]!.first, open.at(-1)!.last + 1];
      for (let i = from; i < to; i++) {
        if (read[i] === 0 || spoilt[i] === 1 || !(expected(i) > TOUCHED_FRAC * kwh)) continue;
        touched[i] = 1;
        lostFrac[i] = Math.max(0, 1 - meteredKwh[i]! / expected(i));
      }
      spells.push({ from, to, powerKw: (kwh * 60) / axis.stepMinutes, days: open.length });
    }
    open = [];
  }

  /** By day: its best hour, and its flat top where it has one. */
  function* tops(): Generator<{ best: { day: number; kwh: number }; top: Top | null }> {
    const least = Math.max(3, Math.round((FLAT_HOURS * 60) / axis.stepMinutes));
    for (let from = 0; from < axis.count; ) {
      const day = days.binOf[from]!;
      let to = from;
      while (to < axis.count && days.binOf[to] === day) to++;
      const bright: number[] = [];
      for (let i = from; i < to; i++)
        if (read[i] === 1 && lit[i] === 1 && spoilt[i] === 0 && openKwh[i]! > DIM_FRAC * ratedKwh) bright.push(i);
      from = to;
      if (bright.length === 0) continue;
      const best = bright.reduce((most, i) => Math.max(most, meteredKwh[i]!), 0);
      yield { best: { day, kwh: best }, top: topOf(day, bright, best, least) };
    }
  }

  function topOf(day: number, bright: readonly number[], best: number, least: number): Top | null {
    if (!(best > DIM_FRAC * ratedKwh) || best > BELOW_CEILING * ceilingAt(bright[0]!)) return null;
    const curtailed = bright.filter((i) => meteredKwh[i]! > (1 - FLAT_FRAC) * best && expected(i) > EXPECTED_ABOVE * best);
    if (curtailed.length < least) return null;
    const owing = curtailed.map(expected);
    const range = (Math.max(...owing) - Math.min(...owing)) / (owing.reduce((a, b) => a + b, 0) / owing.length);
    return range > EXPECTED_RANGE ? { day, kwh: best, first: curtailed[0]!, last: curtailed.at(-1)! } : null;
  }
}
