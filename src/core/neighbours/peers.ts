import { medianAmong } from "../statistics";
import { MAD_TO_DEVIATION } from "../units";
import { BAND_FRAC, LEAST_PEERS, UPPER_SHARE } from "./thresholds";

/** The middle of the sound ones among `count` numbers: those within a tenth of the upper fifth. NaN with too few. Sorts what it is given. */
export function soundMiddle(values: Float64Array, count: number): number {
  const sorted = values.subarray(0, count).sort();
  const { from, to } = soundBand(sorted);
  return to - from < LEAST_PEERS ? Number.NaN : (sorted[(from + to - 1) >> 1]! + sorted[(from + to) >> 1]!) / 2;
}

/** Where the sound ones lie among sorted numbers, [from, to). */
export function soundBand(sorted: ArrayLike<number>): { readonly from: number; readonly to: number } {
  const upper = sorted[Math.floor((sorted.length - 1) * UPPER_SHARE)] ?? Number.NaN;
  let from = 0;
  while (from < sorted.length && sorted[from]! < upper * (1 - BAND_FRAC)) from++;
  let to = sorted.length;
  while (to > from && sorted[to - 1]! > upper * (1 + BAND_FRAC)) to--;
  return { from, to };
}

/** What a sound module of these gives in each hour, kWh; NaN where too few tell it. */
export function peersKwh(kwh: readonly Float32Array[]): Float32Array {
  const hours = kwh[0]?.length ?? 0;
  const out = new Float32Array(hours);
  const row = new Float64Array(kwh.length);
  for (let t = 0; t < hours; t++) {
    let count = 0;
    let most = 0;
    for (const column of kwh) {
      const value = column[t]!;
      if (Number.isNaN(value)) continue;
      row[count++] = value;
      if (value > most) most = value;
    }
    // In the dark there is nothing to be sorted.
    out[t] = most > 0 ? soundMiddle(row, count) : count >= LEAST_PEERS ? 0 : Number.NaN;
  }
  return out;
}

/** Middle and robust spread (in standard deviations) of the sound ones among numbers; NaN with too few. */
export function soundLevel(values: readonly number[]): { readonly middle: number; readonly spread: number } {
  const sorted = Float64Array.from(values.filter((value) => !Number.isNaN(value))).sort();
  const { from, to } = soundBand(sorted);
  if (to - from < LEAST_PEERS) return { middle: Number.NaN, spread: Number.NaN };
  const middle = medianAmong(sorted, from, to);
  const off = sorted.slice(from, to).map((value) => Math.abs(value - middle));
  off.sort();
  return { middle, spread: MAD_TO_DEVIATION * medianAmong(off, 0, off.length) };
}
