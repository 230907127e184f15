import { type BootstrapInterval, blockBootstrap } from "../statistics";

/** Energy of both sides in the same intervals, kWh a kilowatt-peak. */
export interface PairedSums {
  readonly a: number;
  readonly b: number;
}

/** How much more the second side gave than the first, as a share, with the middle 95 % of redraws of whole weeks. */
export interface Difference {
  readonly frac: number;
  readonly low: number;
  readonly high: number;
}

/** Weather of neighbouring days hangs together: weeks are drawn whole. */
const BLOCK_DAYS = 7;

export const differenceFrac = ({ a, b }: PairedSums): number => (a > 0 ? b / a - 1 : Number.NaN);

/**
 * Ratio of sums over days that both sides have, less one; days without a pair are NaN and take no part.
 * Source: Künsch, 1989, The jackknife and the bootstrap for general stationary observations.
 */
export function pairedDifference(aByDay: Float64Array, bByDay: Float64Array, draws: number, seed: number): Difference {
  const kept = [...aByDay.keys()].filter((d) => !Number.isNaN(aByDay[d]! + bByDay[d]!));
  const a = Float64Array.from(kept, (d) => aByDay[d]!);
  const b = Float64Array.from(kept, (d) => bByDay[d]!);
  const ratio = (indices: ArrayLike<number>): number => {
    let [sumA, sumB] = [0, 0];
    for (let k = 0; k < indices.length; k++) {
      sumA += a[indices[k]!]!;
      sumB += b[indices[k]!]!;
    }
    return differenceFrac({ a: sumA, b: sumB });
  };
  const all = Int32Array.from(kept.keys());
  const drawn: BootstrapInterval = blockBootstrap({ count: kept.length, block: BLOCK_DAYS, draws, seed }, ratio);
  return { frac: ratio(all), low: drawn.low, high: drawn.high };
}
