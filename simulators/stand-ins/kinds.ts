/** What a stand-in is about; its number modulo their count says which. */
export const KINDS = [
  "dusty quarters",
  "snowy hours",
  "turned roof",
  "days",
  "shade",
  "drifting sensor",
  "two planes",
  "rough weather",
  "months",
  "heat",
  "meter swap",
  "held field",
  "sound",
] as const;
export type Kind = (typeof KINDS)[number];

export const kindOf = (seed: number): Kind => KINDS[seed % KINDS.length]!;

/** Numbers from here on judge and are never used to build: nobody looks at one of them alone before the figures of all are written down. */
export const JUDGES_FROM = 10_000;
export const buildSeeds = (count: number): number[] => Array.from({ length: count }, (_, k) => k);
export const judgeSeeds = (count: number): number[] => Array.from({ length: count }, (_, k) => JUDGES_FROM + k);
