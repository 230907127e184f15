import type { AttributionFrame } from "../record/frame";
import { GONE_DAYS } from "./thresholds";

/**
 * How rain washes, tried in turn: nothing up to a threshold, mm, then by what is above it. How much it takes differs with tilt, dust and
 * drop. Source: Kimber et al., 2006, found 5 to 10 mm to clean.
 */
export const WASHINGS: readonly Washing[] = [0, 3, 6].flatMap((thresholdMm) => [1, 3.5, 6.5].map((scaleMm) => ({ thresholdMm, scaleMm })));
export const USUAL_WASHING: Washing = { thresholdMm: 1.5, scaleMm: 3 };

export interface Washing {
  readonly thresholdMm: number;
  readonly scaleMm: number;
}
/** What washes when: rain by day, and days on which somebody cleaned. */
export interface Setting {
  readonly days: number;
  readonly rainMm: Float64Array;
  readonly cleaned: Uint8Array;
  readonly washing: Washing;
}

/** Rain of each local day, mm; missing is none. */
export function rainByDay({ weather, days, axis }: AttributionFrame): Float64Array {
  const out = new Float64Array(days.keys.length);
  if (weather.rainMm) for (let i = 0; i < axis.count; i++) if (weather.rainMm[i]! > 0) out[days.binOf[i]!]! += weather.rainMm[i]!;
  return out;
}

/** Share of the dirt that a day's rain leaves. */
export const retainedBy = (rainMm: number, { thresholdMm, scaleMm }: Washing): number =>
  rainMm > thresholdMm ? Math.exp((thresholdMm - rainMm) / scaleMm) : 1;

/** Washings a step away from one, for a finer search. */
export const washingsNear = ({ thresholdMm, scaleMm }: Washing, factor: number): Washing[] => [
  { thresholdMm: thresholdMm + 2 * factor, scaleMm },
  { thresholdMm: Math.max(0, thresholdMm - 2 * factor), scaleMm },
  { thresholdMm, scaleMm: scaleMm * 2 ** factor },
  { thresholdMm, scaleMm: scaleMm / 2 ** factor },
];

/** Dirt by day where a rate of 1 a day holds in days [from, to) and none elsewhere: rain washes from the next day on, a cleaning cleans its whole date. */
export function unitDirt(
  { days, rainMm, cleaned, washing }: Setting,
  from: number,
  to: number,
  rate: (day: number) => number = () => 1,
): Float64Array {
  const out = new Float64Array(days);
  let dirt = 0;
  for (let d = from; d < days; d++) {
    if (d > from) dirt *= retainedBy(rainMm[d - 1]!, washing);
    if (d < to) dirt += rate(d);
    if (cleaned[d] === 1) dirt = 0;
    if (d >= to && Math.abs(dirt) < GONE_DAYS) break;
    out[d] = dirt;
  }
  return out;
}

/** What lay on the modules on the first day, by day. */
export function firstDirt({ days, rainMm, cleaned, washing }: Setting): Float64Array {
  const out = new Float64Array(days);
  let dirt = 1;
  for (let d = 0; d < days && dirt > 1e-4; d++) {
    if (d > 0) dirt *= retainedBy(rainMm[d - 1]!, washing);
    if (cleaned[d] === 1) dirt = 0;
    out[d] = dirt;
  }
  return out;
}
