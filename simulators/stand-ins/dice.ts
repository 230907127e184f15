import { randomLcg, randomNormal } from "d3";

/** Draws of one seed. Each law draws from a stream of its own name, so that a law added later leaves the others as they were. */
export interface Dice {
  readonly between: (low: number, high: number) => number;
  readonly whole: (low: number, high: number) => number;
  readonly chance: (share: number) => boolean;
  readonly normal: () => number;
  readonly one: <T>(of: readonly T[]) => T;
}

/** A share of one made of a text, well spread (FNV-1a). Source: Fowler, Noll & Vo, 1991, in IEEE POSIX P1003.2 comments. */
function shareOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const char of text) hash = Math.imul(hash ^ char.charCodeAt(0), 0x01000193) >>> 0;
  hash ^= hash >>> 15;
  return (Math.imul(hash, 0x2c1b3c6d) >>> 0) / 2 ** 32;
}

export function diceOf(seed: number, law: string): Dice {
  const source = randomLcg(shareOf(`${law} of stand-in ${seed}`));
  const between = (low: number, high: number): number => low + (high - low) * source();
  const whole = (low: number, high: number): number => Math.floor(between(low, high + 1));
  return {
    between,
    whole,
    chance: (share) => source() < share,
    normal: randomNormal.source(source)(0, 1),
    one: (of) => of[whole(0, of.length - 1)]!,
  };
}
