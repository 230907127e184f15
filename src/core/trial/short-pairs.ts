/** Two readings of the same moment or minutes apart, and what the model expects of each, any one unit (W, A or kWh). */
export interface ShortPair {
  readonly at: string;
  readonly readA: number;
  readonly readB: number;
  readonly expectedA: number;
  readonly expectedB: number;
}

export interface ShortPairReport {
  readonly pairs: readonly (ShortPair & { readonly readFrac: number; readonly expectedFrac: number; readonly agrees: boolean })[];
  /** Over all pairs, sum over sum. */
  readonly readFrac: number;
  readonly expectedFrac: number;
}

/** Two readings by hand, of light that moves between them, tell their ratio to about this. */
const PAIR_OFF = 0.1;

/** What was gained by the second way of standing, read and expected. A reading of 0 has no ratio and is left out of it. */
export function shortPairs(pairs: readonly ShortPair[]): ShortPairReport {
  const sum = (of: (pair: ShortPair) => number): number => pairs.reduce((total, pair) => total + of(pair), 0);
  const gain = (from: number, to: number): number => (from > 0 ? to / from - 1 : Number.NaN);
  return {
    pairs: pairs.map((pair) => {
      const [readFrac, expectedFrac] = [gain(pair.readA, pair.readB), gain(pair.expectedA, pair.expectedB)];
      return { ...pair, readFrac, expectedFrac, agrees: Math.abs((1 + readFrac) / (1 + expectedFrac) - 1) <= PAIR_OFF };
    }),
    readFrac: gain(
      sum(({ readA }) => readA),
      sum(({ readB }) => readB),
    ),
    expectedFrac: gain(
      sum(({ expectedA }) => expectedA),
      sum(({ expectedB }) => expectedB),
    ),
  };
}
