import { MINUTE_MS } from "../units";
import type { RunEvidence } from "./evidence";

/** What a search for causes can find. */
export const causeKinds = [
  "outage",
  "held-low",
  "derating",
  "strings-out",
  "snow",
  "ceiling",
  "shading",
  "orientation",
  "soiling",
  "unrecorded-cleaning",
  "sensor-dirty",
  "sensor-drift",
  "ageing",
] as const;
export type CauseKind = (typeof causeKinds)[number];

/** One cause: when, how many kilowatt-hours at the meter with the interval that holds them, how sure, and the numbers that the wording needs. */
export interface CauseFinding {
  readonly kind: CauseKind;
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
  /** Energy that would have come to the meter without this cause alone; null where none is claimed. */
  readonly kwh: number | null;
  readonly kwhLow: number | null;
  readonly kwhHigh: number | null;
  /** 0 to 1. */
  readonly confidenceFrac: number;
  readonly facts: Readonly<Record<string, number | string>>;
}

/** Start of a step of the axis. */
export const startOf = ({ frame }: Pick<RunEvidence, "frame">, i: number): number =>
  frame.axis.startUtcMs + i * frame.axis.stepMinutes * MINUTE_MS;

/** Start of a local day of the record. */
export const dayStart = (evidence: Pick<RunEvidence, "frame">, day: number): number =>
  startOf(evidence, Math.max(0, evidence.frame.days.binOf.indexOf(day)));

/** From the first step of the record to its last. */
export const wholeRecord = (evidence: Pick<RunEvidence, "frame">): Pick<CauseFinding, "fromUtcMs" | "toUtcMs"> => ({
  fromUtcMs: startOf(evidence, 0),
  toUtcMs: startOf(evidence, evidence.frame.axis.count),
});

/** An energy that may be off by a share, two sided 95 %. */
export const within = (kwh: number, offFrac: number): Pick<CauseFinding, "kwh" | "kwhLow" | "kwhHigh"> => ({
  kwh,
  kwhLow: kwh * (1 - offFrac),
  kwhHigh: kwh * (1 + offFrac),
});

/** No energy is claimed. */
export const NO_ENERGY: Pick<CauseFinding, "kwh" | "kwhLow" | "kwhHigh"> = { kwh: null, kwhLow: null, kwhHigh: null };

/** Energy lost at the meter over steps [from, to) to a cause that leaves `retainedFrac` of what an hour is expected to give. */
export function lostKwh(
  { expectedKwh, ceilingKwh }: Pick<RunEvidence, "expectedKwh" | "ceilingKwh">,
  from: number,
  to: number,
  retainedFrac: (i: number) => number,
): number {
  let lost = 0;
  for (let i = from; i < to; i++) {
    const kwh = expectedKwh[i]!;
    if (kwh > 0) lost += Math.min(ceilingKwh, kwh) - Math.min(ceilingKwh, kwh * retainedFrac(i));
  }
  return lost;
}
