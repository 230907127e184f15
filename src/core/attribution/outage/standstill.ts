import { type CurtailedEvidence, curtailment, notCurtailed } from "../limit/detect";
import { type DayIndex, dayIndex, usualRatio } from "../record/day-index";
import type { AttributionFrame } from "../record/frame";
import { monthSnow } from "../snow/by-month";
import { type SnowEvidence, snowEvidence } from "../snow/detect";
import type { StringsOut } from "../strings/detect";
import { type OutageEvidence, outageEvidence } from "./detect";

/** What holds a plant still or low for a while. */
export interface Standstill {
  readonly outages: OutageEvidence;
  readonly curtailed: CurtailedEvidence;
  readonly snow: SnowEvidence;
  /** 1 where an hour is down, held low or under snow. */
  readonly spoilt: Uint8Array;
  /** What the plant gives of what it owes when nothing holds it, by local day. */
  readonly usual: Float64Array;
}

/**
 * Snow and standstill hide in each other: snow is sought first, standstill outside it, then snow without the standstill. `shaded` marks steps that
 * tell nothing of what is usual.
 */
export function standstill(
  frame: AttributionFrame,
  ceilingKwh: number,
  strings: readonly StringsOut[] = [],
  shaded: Uint8Array = new Uint8Array(frame.axis.count),
): Standstill {
  const { count } = frame.axis;
  const none = new Uint8Array(count);
  if (frame.resolution === "months")
    return {
      outages: { downFrac: new Float64Array(count), outages: [] },
      curtailed: notCurtailed(count),
      snow: monthSnow(frame),
      spoilt: none,
      usual: new Float64Array(frame.days.keys.length).fill(1),
    };
  const usual = lowered(frame, usualRatio(withStringsBack(frame, dayIndex(frame, shaded, ceilingKwh), strings)), strings);
  // A step in shade lacks what the shade takes, and tells nothing of snow.
  const first = snowEvidence(frame, usual, shaded, ceilingKwh);
  const outages = outageEvidence(frame, usual, first.covered);
  const down = new Uint8Array(count);
  for (let i = 0; i < count; i++) if (outages.downFrac[i]! > 0) down[i] = 1;
  const snow = snowEvidence(frame, usual, either(down, shaded), ceilingKwh);
  const spoilt = down.slice();
  for (const { from, to } of snow.spells) spoilt.fill(1, from, to);
  const seen = curtailment(frame, usual, spoilt, ceilingKwh);
  if (seen.spells.length === 0) return { outages, curtailed: seen, snow, spoilt, usual };
  // What is usual was told from days that were held, too.
  const free = lowered(
    frame,
    usualRatio(withStringsBack(frame, dayIndex(frame, either(seen.touched, shaded), ceilingKwh), strings)),
    strings,
  );
  const curtailed = curtailment(frame, free, spoilt, ceilingKwh);
  for (let i = 0; i < count; i++) if (curtailed.touched[i] === 1) spoilt[i] = 1;
  return { outages, curtailed, snow, spoilt, usual: free };
}

/** What is usual by day, less what strings that are out take of it. */
function lowered(frame: AttributionFrame, usual: Float64Array, strings: readonly StringsOut[]): Float64Array {
  const out = usual.slice();
  for (const { from, to, lostFrac } of strings) {
    const [first, last] = [frame.days.binOf[from]!, frame.days.binOf[Math.min(frame.axis.count - 1, to)]!];
    for (let d = first; d <= last; d++) out[d] = out[d]! * (1 - lostFrac);
  }
  return out;
}

/** Days with strings out as they would have been; days on which that began or ended tell nothing. */
export function withStringsBack(frame: AttributionFrame, index: DayIndex, strings: readonly StringsOut[]): DayIndex {
  const ratio = index.ratio.slice();
  for (const { from, to, lostFrac } of strings) {
    const [first, last] = [frame.days.binOf[from]!, frame.days.binOf[Math.min(frame.axis.count - 1, to)]!];
    for (let d = first; d <= last; d++) ratio[d] = ratio[d]! / (1 - lostFrac);
    ratio[first] = Number.NaN;
    ratio[last] = Number.NaN;
  }
  return { ...index, ratio };
}

/** 1 where one or the other is. */
export const either = (a: Uint8Array, b: Uint8Array): Uint8Array => a.map((on, i) => on | b[i]!);
