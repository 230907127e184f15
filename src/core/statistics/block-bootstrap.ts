import { seededUniform } from "./random";
import { quantileOf } from "./robust";

/** What redrawing says of a statistic: the middle 95 % of its draws. */
export interface BootstrapInterval {
  readonly low: number;
  readonly high: number;
  /** The draws themselves, sorted; missing ones left out. */
  readonly draws: Float64Array;
}

export interface BootstrapTerms {
  readonly count: number;
  /** Length of the blocks that are drawn whole, so that what hangs together in time stays together. */
  readonly block: number;
  readonly draws: number;
  readonly seed: number;
}

/**
 * Draws `count` items in whole blocks (moving blocks, wrapped at the end) and takes the statistic of each sample.
 * Source: Künsch, 1989, The jackknife and the bootstrap for general stationary observations.
 */
export function blockBootstrap(terms: BootstrapTerms, statistic: (indices: Int32Array) => number): BootstrapInterval {
  const { count, draws, seed } = terms;
  const block = Math.max(1, Math.min(terms.block, count));
  const uniform = seededUniform(seed);
  const indices = new Int32Array(count);
  const out = new Float64Array(draws);
  for (let draw = 0; draw < draws; draw++) {
    for (let at = 0; at < count; at += block) {
      const from = Math.floor(uniform() * count);
      for (let k = 0; k < block && at + k < count; k++) indices[at + k] = (from + k) % count;
    }
    out[draw] = statistic(indices);
  }
  const sorted = out.filter((value) => !Number.isNaN(value)).sort();
  return { low: quantileOf(sorted, 0.025), high: quantileOf(sorted, 0.975), draws: sorted };
}
