import { xoroshiro128plus } from "pure-rand/generator/xoroshiro128plus";

const TWO_TO_32 = 2 ** 32;

/** Uniform numbers of [0, 1) that are the same for the same seed on every machine. Source: Blackman & Vigna, 2018, Scrambled linear pseudorandom number generators. */
export function seededUniform(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => (generator.next() >>> 0) / TWO_TO_32;
}

/** Standard normal numbers out of uniform ones. Source: Box & Muller, 1958, A note on the generation of random normal deviates. */
export const normalFrom = (uniform: () => number): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
