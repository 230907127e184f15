import { coverLossFrac, RELEASE_WM2_PER_K, SLIDE_PER_HOUR } from "./marion";

/** What an array saw while it snowed and after, one value a step. */
export interface SnowRecord {
  readonly newSnowCm: ArrayLike<number>;
  readonly airTempC: ArrayLike<number>;
  readonly poaWm2: ArrayLike<number>;
  /** At the meter with no snow on the modules, kWh a step. */
  readonly openKwh: ArrayLike<number>;
  readonly stepHours: number;
  readonly sinTilt: number;
  readonly stringsAlongSlant: number;
  /** Snowfall of one step, cm, that covers the array. */
  readonly coveringCm: number;
}

/** One fall of snow: what it did if left alone, and what clearing by hand the next day would have brought. */
export interface Storm {
  readonly from: number;
  readonly to: number;
  readonly depthCm: number;
  /** Mean air temperature while it fell, and over the three days after, C. */
  readonly fallTempC: number;
  readonly afterTempC: number;
  readonly kind: "wet" | "dry";
  /** Hours until the modules were free by themselves. */
  readonly lyingHours: number;
  readonly lostKwh: number;
  readonly clearingKwh: number;
}

/** Falls less than this apart are one storm, hours. */
const SAME_STORM_HOURS = 18;
/** Snow that falls above this clings and is heavy, C. Source: Judson & Doesken, 2000, Density of freshly fallen snow in the central Rocky Mountains. */
const WET_ABOVE_C = -1;
const AFTER_HOURS = 72;
/** From the end of a fall until somebody stands on the ladder. */
export const CLEARED_AFTER_HOURS = 12;
const LONGEST_HOURS = 60 * 24;

/** Storms of a record, each followed until its snow is gone or the next one comes. Source: Marion et al., 2013 (the sliding of a cover). */
export function storms(record: SnowRecord): Storm[] {
  const { newSnowCm, stepHours, coveringCm } = record;
  const apart = Math.round(SAME_STORM_HOURS / stepHours);
  const spans: { from: number; to: number }[] = [];
  for (let i = 0; i < newSnowCm.length; i++) {
    if (!(newSnowCm[i]! >= coveringCm)) continue;
    const last = spans.at(-1);
    if (last && i - last.to < apart) last.to = i + 1;
    else spans.push({ from: i, to: i + 1 });
  }
  return spans.map((span, k) => storm(record, span, spans[k + 1]?.from ?? newSnowCm.length));
}

function storm(record: SnowRecord, { from, to }: { from: number; to: number }, nextFrom: number): Storm {
  const { newSnowCm, airTempC, stepHours } = record;
  let depthCm = 0;
  for (let i = from; i < to; i++) depthCm += Math.max(0, newSnowCm[i]!);
  const fallTempC = meanOf(airTempC, from, to);
  const left = lying(record, to, nextFrom, 1);
  const cleared = Math.round(CLEARED_AFTER_HOURS / stepHours);
  const clearedKwh = lying(record, to, Math.min(nextFrom, to + cleared), 1).lostKwh;
  return {
    from,
    to,
    depthCm,
    fallTempC,
    afterTempC: meanOf(airTempC, to, Math.min(airTempC.length, to + Math.round(AFTER_HOURS / stepHours))),
    kind: fallTempC > WET_ABOVE_C ? "wet" : "dry",
    lyingHours: left.hours,
    lostKwh: left.lostKwh,
    clearingKwh: Math.max(0, left.lostKwh - clearedKwh),
  };
}

/** Energy lost from a step on under a cover that slides off by itself, until it is gone or `end`. */
export function lying(record: SnowRecord, from: number, end: number, cover: number): { hours: number; lostKwh: number } {
  const { airTempC, poaWm2, openKwh, stepHours, sinTilt, stringsAlongSlant } = record;
  const slide = SLIDE_PER_HOUR * sinTilt * stepHours;
  const last = Math.min(end, openKwh.length, from + Math.round(LONGEST_HOURS / stepHours));
  let lostKwh = 0;
  let held = cover;
  let i = from;
  for (; i < last && held > 0; i++) {
    if (airTempC[i]! > poaWm2[i]! / RELEASE_WM2_PER_K) held = Math.max(0, held - slide);
    if (openKwh[i]! > 0) lostKwh += openKwh[i]! * coverLossFrac(held, stringsAlongSlant);
  }
  return { hours: (i - from) * stepHours, lostKwh };
}

function meanOf(values: ArrayLike<number>, from: number, to: number): number {
  let [sum, count] = [0, 0];
  for (let i = from; i < to; i++)
    if (!Number.isNaN(values[i])) {
      sum += values[i]!;
      count++;
    }
  return count > 0 ? sum / count : Number.NaN;
}
