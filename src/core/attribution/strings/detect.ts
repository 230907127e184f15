import { arrayNameplateW, nameplateW } from "../../site";
import { MEDIAN_TO_MEAN_ERROR, medianAmong, medianOf } from "../../statistics";
import { MAD_TO_DEVIATION } from "../../units";
import type { DayIndex } from "../record/day-index";
import type { AttributionFrame } from "../record/frame";
import { rainByDay } from "../soiling/washing";
import { isAtAllLoads } from "./at-all-loads";
import { type DirtDays, daysBeside, isBeyondCleaning, isDownAYearLater, stepBesideDirt } from "./beside-dirt";
import { stepNear } from "./step-near";
import {
  ALIKE_DEVIATIONS,
  ALIKE_FRAC,
  BACK_FRAC,
  BESIDE_DIRT,
  CLEANED_NEAR_DAYS,
  DEVIATIONS,
  DRIFT_DEVIATIONS,
  FALL_BESIDE_DIRT,
  LEAST_DAYS,
  LEAST_FRAC,
  NEAR,
  NEAR_DAYS,
  OFF_FRAC,
  TELLING,
  WINDOW,
} from "./thresholds";

/** A stretch in which a part of the plant gave nothing, from one step on. */
export interface StringsOut {
  readonly from: number;
  readonly to: number;
  /** Share of the output that is out: of its nearest whole number of parts, or as measured where parts see unlike light. */
  readonly lostFrac: number;
  readonly measuredFrac: number;
  /** The part: so many strings of so many, or an inverter or array by name. */
  readonly part: { readonly kind: "strings" | "inverter" | "modules"; readonly out: number; readonly of: number };
  /** Whether the level came back. */
  readonly restored: boolean;
}

/** Parts of one plane see the same light. Of several, a part takes more or less than its share of the nameplate, as the season goes: what was measured is nearer. */
const isOnePlane = ({ site }: AttributionFrame): boolean =>
  new Set(site.arrays.map(({ azimuthDeg, tiltDeg }) => `${azimuthDeg} ${tiltDeg}`)).size < 2;

/** Shares that a fault of one kind can take: whole strings, whole inverters. */
function partsOf({ site }: AttributionFrame): StringsOut["part"][] {
  const parts: StringsOut["part"][] = [];
  const strings = site.arrays.reduce((sum, a) => sum + (a.modulesPerString ? a.count / a.modulesPerString : 0), 0);
  const whole = Math.round(strings);
  for (let out = 1; out <= Math.min(3, whole - 1); out++) parts.push({ kind: "strings", out, of: whole });
  if (site.inverters.length > 1) {
    for (const inverter of site.inverters) {
      const own = site.arrays.filter((a) => inverter.arrays.includes(a.id)).reduce((sum, a) => sum + arrayNameplateW(site, a), 0);
      parts.push({ kind: "inverter", out: own, of: nameplateW(site) });
    }
  }
  const single = site.inverters.some((inverter) => inverter.perModule) ? site.arrays.reduce((sum, a) => sum + a.count, 0) : 0;
  for (let out = 1; single > 0 && out <= Math.min(8, single - 1); out++) parts.push({ kind: "modules", out, of: single });
  return parts;
}

/** Days that tell of the level. */
function tellingDays({ ratio, weight }: DayIndex): number[] {
  const least = Math.min(TELLING, medianOf(weight.filter((value) => value > 0)) / 2);
  return [...ratio.keys()].filter((d) => ratio[d]! > 0.15 && ratio[d]! < 1.6 && weight[d]! > least);
}

/**
 * The step from which a part that was out is back, sought from a day on; null while it is not. `index` is the plant's as it stood, with the
 * part missing. A level that a cleaning lifts is none.
 */
export function backAgain(
  frame: AttributionFrame,
  index: DayIndex,
  { lostFrac }: Pick<StringsOut, "lostFrac">,
  fromDay: number,
  cleaned: ReadonlySet<number>,
): number | null {
  const kept = tellingDays(index);
  const before = kept.filter((d) => d < fromDay).slice(-2 * WINDOW);
  const after = kept.filter((d) => d >= fromDay);
  if (before.length < NEAR) return null;
  const least = medianOf(before.map((d) => index.ratio[d]!)) * (1 + (BACK_FRAC * lostFrac) / (1 - lostFrac));
  const isUp = (days: readonly number[]): boolean => medianOf(days.map((d) => index.ratio[d]!)) > least;
  for (let k = 0; k + NEAR <= after.length; k++) {
    if (!isUp(after.slice(k, k + NEAR)) || !isUp(after.slice(k, k + WINDOW)) || !(index.ratio[after[k]!]! > least)) continue;
    return cleaned.has(after[k]!) ? null : stepNear(frame, index, after[k - 1] ?? before.at(-1)!, after[k]!, 1);
  }
  return null;
}

/** Finds levels that drop by a whole part within a day and stay, in log ratio by day. */
export function stringsOut(frame: AttributionFrame, index: DayIndex, cleaned: ReadonlySet<number>): StringsOut[] {
  const all = partsOf(frame);
  if (all.length === 0) return [];
  const kept = tellingDays(index);
  const x = kept.map((d) => Math.log(index.ratio[d]!));
  if (x.length < 3 * WINDOW) return [];
  const noise = MAD_TO_DEVIATION * medianOf(x.slice(1).map((value, k) => Math.abs(value - x[k]!))) * 0.7;
  // Days hang together: what middles of a week part by on any day tells more of that than how single days scatter.
  const drift = MAD_TO_DEVIATION * medianOf(x.slice(WINDOW, -WINDOW).map((_, k) => Math.abs(jump(x, k + WINDOW))));
  const least = Math.max(LEAST_FRAC, (DEVIATIONS * noise) / Math.sqrt(WINDOW / 2), DRIFT_DEVIATIONS * drift);
  // Where one part alone would not stand out, every step is some whole number of them: that it fits one says nothing.
  const parts = all.filter(({ kind, of }) => kind === "inverter" || 1 / of >= least);
  if (parts.length === 0) return [];
  const step = x.map((_, p) => (p < NEAR || p > x.length - NEAR ? 0 : isSudden(x, p) ? near(x, p) : 0));
  const dirt: DirtDays = { index, rainMm: rainByDay(frame), cleaned };
  const levels: Levels = { x, step, least, kept, dirt };
  const found: StringsOut[] = [];
  for (let p = NEAR; p < x.length - NEAR; p++) {
    if (jump(x, p) > -least || !(step[p]! < 0) || !isPeak(step, p)) continue;
    if (!isStepBesideDirt(levels, p)) continue;
    const back = comesBack(levels, p);
    const until = back ?? x.length;
    if (until - p < LEAST_DAYS) continue;
    const before = medianOf(x.slice(Math.max(0, p - WINDOW), p));
    const after = back === null ? before : medianOf(x.slice(back, back + WINDOW));
    // What soiling and seasons do meanwhile moves both ends; the level lost is read at each end beside its own step.
    const first = medianOf(x.slice(p, Math.min(until, p + WINDOW))) - before;
    const last = back === null || isCleanedNear(dirt, kept[back]!) ? first : medianOf(x.slice(Math.max(p, until - WINDOW), until)) - after;
    if (!areAlike(first, last, noise)) continue;
    const measuredFrac = 1 - Math.exp((first + last) / 2);
    const part = nearest(parts, measuredFrac, noise);
    if (!part) continue;
    const [from, to] = [kept[p]!, back === null ? index.ratio.length : kept[back]!];
    const beside = stepBesideDirt(dirt, from, to, daysBeside(from, to, index.ratio.length));
    const share = beside.step / Math.log(1 - part.out / part.of);
    if (frame.resolution === "hours" && !isAtAllLoads(frame, from, to, part.out / part.of)) continue;
    if (!isDownAYearLater(dirt, from, to, part.out / part.of)) continue;
    if (share < BESIDE_DIRT || (back !== null && !isBeyondCleaning(dirt, from, to))) continue;
    found.push({
      from: stepNear(frame, index, kept[Math.max(0, p - NEAR_DAYS)]!, kept[Math.min(kept.length - 1, p + NEAR_DAYS)]!, -1),
      to:
        back === null
          ? frame.axis.count
          : stepNear(frame, index, kept[back - NEAR_DAYS]!, kept[Math.min(kept.length - 1, back + NEAR_DAYS)]!, 1),
      lostFrac: isOnePlane(frame) ? part.out / part.of : measuredFrac,
      measuredFrac,
      part,
      restored: back !== null,
    });
    p = until;
  }
  return found;
}

/** Whether the level fell by as much as it rose again: a part that was out is the same part when it is back, and dirt that was washed grew slowly. */
const areAlike = (fall: number, rise: number, noise: number): boolean =>
  Math.abs(fall - rise) <=
  Math.max(ALIKE_FRAC * Math.max(-fall, -rise), ALIKE_DEVIATIONS * noise * (MEDIAN_TO_MEAN_ERROR / Math.sqrt(WINDOW)) * 2);

const jump = (x: readonly number[], p: number): number =>
  medianAmong(x, p, Math.min(x.length, p + WINDOW)) - medianAmong(x, Math.max(0, p - WINDOW), p);

function isPeak(step: readonly number[], p: number): boolean {
  for (let k = Math.max(0, p - WINDOW); k < Math.min(step.length, p + WINDOW); k++)
    if (Math.abs(step[k]!) > Math.abs(step[p]!)) return false;
  return true;
}

const near = (x: readonly number[], p: number): number =>
  medianAmong(x, p, Math.min(x.length, p + NEAR)) - medianAmong(x, Math.max(0, p - NEAR), p);

/** Whether most of the step lies between two days, as no dirt does it. */
const isSudden = (x: readonly number[], p: number): boolean => Math.abs(near(x, p)) > 0.65 * Math.abs(jump(x, p));

/** Log levels of the days that tell, how each steps, and what else may have moved them. */
interface Levels {
  readonly x: readonly number[];
  readonly step: readonly number[];
  readonly least: number;
  readonly kept: readonly number[];
  readonly dirt: DirtDays;
}

/** Whether most of a fall of the level stands beside what dirt explains, in the days up to it and the first after. */
function isStepBesideDirt({ x, kept, dirt }: Levels, p: number): boolean {
  const [from, to] = [kept[p]!, kept[Math.min(kept.length - 1, p + WINDOW)]!];
  const [first] = daysBeside(from, to, dirt.rainMm.length);
  return stepBesideDirt(dirt, from, to, [first, to]).step < FALL_BESIDE_DIRT * jump(x, p);
}

/** Index of the day from which on the level is back, or null. A level that a cleaning or rain lifts is none. */
function comesBack({ x, step, least, kept, dirt }: Levels, p: number): number | null {
  const lost = -jump(x, p);
  for (let q = p + LEAST_DAYS; q < x.length - 2; q++) {
    const up = jump(x, q);
    if (up > BACK_FRAC * lost && up > least && step[q]! > 0 && isPeak(step, q) && isBackBesideDirt(dirt, kept[p]!, kept[q]!)) return q;
  }
  return null;
}

/** Whether a part that was lost on one day and came back on another tells the days beside dirt better than one that is still out. */
function isBackBesideDirt(dirt: DirtDays, from: number, to: number): boolean {
  const window = daysBeside(from, to, dirt.rainMm.length);
  const [back, out] = [stepBesideDirt(dirt, from, to, window), stepBesideDirt(dirt, from, window[1], window)];
  const scale = Math.min(back.scale, out.scale);
  return back.lossAt(scale) < out.lossAt(scale);
}

function isCleanedNear({ cleaned }: DirtDays, day: number): boolean {
  for (let d = day - CLEANED_NEAR_DAYS; d <= day + CLEANED_NEAR_DAYS; d++) if (cleaned.has(d)) return true;
  return false;
}

function nearest(parts: readonly StringsOut["part"][], measured: number, noise: number): StringsOut["part"] | null {
  let best: StringsOut["part"] | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const part of parts) {
    const off = Math.abs(part.out / part.of - measured);
    if (off < least) [best, least] = [part, off];
  }
  if (!best) return null;
  return least < Math.max((OFF_FRAC * best.out) / best.of / Math.max(1, best.kind === "strings" ? best.out : 1), 2 * noise) ? best : null;
}
