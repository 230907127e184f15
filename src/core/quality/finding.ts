/** What the examination of a metered series can find. */
export const findingKinds = [
  "gap",
  "caught-up",
  "frozen",
  "false-zero",
  "spike",
  "negative",
  "night-output",
  "unit-factor",
  "counter-reset",
  "counter-rollover",
  "digit-slip",
  "clock-shift",
  "no-summer-time",
  "labels-end",
  "level-step",
  "looks-dc",
  "looks-net",
  "looks-export",
  "battery",
] as const;
export type FindingKind = (typeof findingKinds)[number];

/** Half-open stretch of time [from, to). */
export interface Stretch {
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

/**
 * What can be done about a finding; applied to a copy, the raw series never changes.
 * `drop` makes unread, `scale` multiplies, `shift` moves later by minutes (earlier when negative), `spread` divides the energy of the
 * stretch's last interval evenly over it, `fill` gives the stretch this energy, `zero` lifts values below zero (or any, at night) to zero.
 * Of hand-read counters `restate` puts another reading in its place, and `carry` adds to all readings from there on; with `isGapBefore` the time up to there is unread.
 */
export type Remedy =
  | ({ readonly op: "drop" } & Stretch)
  | ({ readonly op: "scale"; readonly factor: number } & Stretch)
  | ({ readonly op: "shift"; readonly minutes: number } & Stretch)
  | ({ readonly op: "spread" } & Stretch)
  | ({ readonly op: "fill"; readonly kwh: number } & Stretch)
  | ({ readonly op: "restate"; readonly kwh: number } & Stretch)
  | ({ readonly op: "carry"; readonly kwh: number; readonly isGapBefore?: boolean | undefined } & Stretch)
  | ({ readonly op: "zero"; readonly only: "negative" | "night" } & Stretch);

/** One finding: where, how much, why it is believed, and what might be done. */
export interface Finding extends Stretch {
  readonly kind: FindingKind;
  /** Intervals concerned. */
  readonly count: number;
  /** Energy concerned as recorded, kWh; of a gap the expected energy, where it is known. */
  readonly kwh: number | null;
  /** 0 to 1. */
  readonly confidenceFrac: number;
  /** Numbers that the wording needs; named with their units. */
  readonly facts: Readonly<Record<string, number | string>>;
  readonly remedy: Remedy | null;
}
