import { haurwitzGhiWm2 } from "../irradiance";
import type { Block } from "./block";

/** Steps from this length on hide peaks that an inverter cuts. */
export const COARSE_STEP_MINUTES = 30;
/** Further out the excess is under 0.0001 of the deviation. */
const DEVIATIONS_THAT_COUNT = 3.5;

const HEIGHT_STEPS = 1024;
/** Haurwitz by the sine of the elevation, for the hot loop: a spread needs no more than straight lines. */
const CLEAR_SKY = Float64Array.from({ length: HEIGHT_STEPS + 2 }, (_, k) => haurwitzGhiWm2(k / HEIGHT_STEPS));

/**
 * Relative spread of five-minute light inside each coarse step, from the clear-sky index of the step and its neighbours.
 * Source: Skartveit & Olseth, 1992, The probability density and autocorrelation of short-term global and beam irradiance, eq. 5 and 6;
 * clear sky by Haurwitz, 1945.
 */
export function fillSpread(
  block: Pick<Block, "up" | "ghiWm2">,
  count: number,
  spreadFrac: Float64Array,
  indexScratch: Float64Array,
): Float64Array {
  for (let i = 0; i < count; i++) {
    const place = Math.max(0, block.up[i]!) * HEIGHT_STEPS;
    const k = place | 0;
    const clear = CLEAR_SKY[k]! + (CLEAR_SKY[k + 1]! - CLEAR_SKY[k]!) * (place - k);
    indexScratch[i] = clear > 20 ? Math.min(1, block.ghiWm2[i]! / clear) : 0;
  }
  for (let i = 0; i < count; i++) {
    const index = indexScratch[i]!;
    const before = index - indexScratch[i > 0 ? i - 1 : i]!;
    const after = index - indexScratch[i + 1 < count ? i + 1 : i]!;
    const amongThree = Math.sqrt((before * before + after * after) / 2);
    spreadFrac[i] = index > 0.05 ? (0.87 * index * index * (1 - index) + 0.39 * Math.sqrt(index) * amongThree) / index : 0;
  }
  return spreadFrac;
}

const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);

/**
 * Mean of what lies above a limit when a normal quantity of this mean and deviation is cut at it. The tail of the normal is that of
 * Abramowitz & Stegun, 1964, Handbook of mathematical functions, 26.2.17 (error under 7.5e-8).
 */
export function meanExcess(mean: number, deviation: number, limit: number): number {
  if (!(deviation > 0)) return Math.max(0, mean - limit);
  const z = (limit - mean) / deviation;
  const density = Math.exp(-0.5 * z * z) / ROOT_TWO_PI;
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail = density * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return deviation * (density - z * (z >= 0 ? tail : 1 - tail));
}

const Z_STEPS = 256;
const MOST_Z = 4;

/** meanExcess of the unit normal by its limit from -4 to 4, for the hot loop: straight lines between entries are within 1e-6. */
export const UNIT_EXCESS = Float64Array.from({ length: 2 * MOST_Z * Z_STEPS + 2 }, (_, k) => meanExcess(0, 1, k / Z_STEPS - MOST_Z));

/** meanExcess by the table. */
export function excessByTable(mean: number, deviation: number, limit: number): number {
  const z = (limit - mean) / deviation;
  if (!(z < MOST_Z)) return 0;
  if (z <= -MOST_Z) return mean - limit;
  const place = (z + MOST_Z) * Z_STEPS;
  const k = place | 0;
  const left = UNIT_EXCESS[k]!;
  return deviation * (left + (UNIT_EXCESS[k + 1]! - left) * (place - k));
}

/** What a limit cuts of a power that swings about its mean. */
function cutByLaw(mean: number, deviation: number, limit: number): number {
  if (mean + DEVIATIONS_THAT_COUNT * deviation <= limit) return 0;
  return deviation > 0 ? excessByTable(mean, deviation, limit) : mean - limit;
}

/** Clipping of coarse steps with the peaks inside them: the power swings about its mean by the spread of the light. Returns what it took, W summed. */
export function fillClippingWithin(powerW: Float64Array, spreadFrac: Float64Array, limitW: number, count: number): number {
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const mean = powerW[i]!;
    const over = cutByLaw(mean, mean * spreadFrac[i]!, limitW);
    if (over === 0) continue;
    powerW[i] = mean - over;
    lost += over;
  }
  return lost;
}

/** What a ceiling cut by the readings, and where they don't tell (NaN) the law. */
export interface SeenCut {
  /** Step of each lit one. */
  readonly at: Int32Array;
  /** Share of the power that was cut, by step. */
  readonly cutFrac: Float64Array;
  readonly limitW: number;
}

/** Clipping as the readings saw it; `spreadFrac` is null where steps are fine. Returns what it took, W summed. */
export function fillClippingSeen(powerW: Float64Array, spreadFrac: Float64Array | null, seen: SeenCut, count: number): number {
  const { at, cutFrac, limitW } = seen;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const mean = powerW[i]!;
    const cut = cutFrac[at[i]!]!;
    const over = Number.isNaN(cut) ? cutByLaw(mean, spreadFrac ? mean * spreadFrac[i]! : 0, limitW) : mean * cut;
    powerW[i] = mean - over;
    lost += over;
  }
  return lost;
}
