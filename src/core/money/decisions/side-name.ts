/** Ways that need no figure to be told apart. */
export const PLAIN_SIDES = [
  "live-with-it",
  "larger-inverter",
  "one-inverter",
  "module-inverters",
  "as-it-is",
  "on-an-input-of-their-own",
  "in-the-same-strings",
  "on-the-roof",
  "on-a-ground-rack",
  "fixed",
  "by-a-motor",
  "as-it-stands",
  "turned",
  "leave-it-to-the-rain",
  "wait-for-the-sun",
  "clear-it",
  "let-it-stand",
  "scrap-it-no-array",
  "put-the-old-one-back",
  "renew-it",
] as const;

/** One of the ways that things could go: which, and the figures that tell it from its neighbours. */
export type SideName =
  | { readonly code: (typeof PLAIN_SIDES)[number] }
  | { readonly code: "tilted"; readonly timesAYear: number }
  | { readonly code: "modules"; readonly letter: "A" | "B"; readonly count: number; readonly powerW: number }
  /** Days of the year, MM-DD. */
  | { readonly code: "cleaned"; readonly timesAYear: number; readonly monthDays: readonly string[] }
  | { readonly code: "tree-trimmed" | "tree-felled"; readonly tree: string };
