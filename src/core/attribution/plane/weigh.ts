import { costOfSaying, medianOf, VERY_STRONG } from "../../statistics";
import type { AttributionFrame } from "../record/frame";
import { CLEAR_WEIGHED, DIM_WEIGHED_FRAC, FAR_TIMES } from "./thresholds";

/** One way in which the clear hours of a plant may have come about: its plane, and the places of the sky that are shaded by it. */
export interface PlaneHypothesis {
  readonly frame: AttributionFrame;
  /** What it owes with shade and the plant's usual put in, kWh. */
  readonly owedKwh: Float64Array;
  /** Steps that tell nothing: standstill, snow. */
  readonly spoilt: Uint8Array;
  /** What it took to say: two for a plane, one for every shaded field of the sky. */
  readonly terms: number;
}

/**
 * Index of the hypothesis that explains the clear hours best for what it costs to say; the first, which is the book's, stands unless another is very much better: n ln(loss) + terms ln(n) over the hours that all of them can judge, with n the
 * days among them, since the hours of a day are wrong together. Hours far off are weighed down. Source: Schwarz, 1978, Estimating the dimension of a model.
 */
export function bestOf(hypotheses: readonly PlaneHypothesis[]): number {
  const { steps, days } = judged(hypotheses);
  if (days < 2) return 0;
  const costs = hypotheses.map((one) => costOfSaying(days, lossOf(one, steps), one.terms));
  const best = costs.indexOf(Math.min(...costs));
  return costs[best]! < costs[0]! - VERY_STRONG ? best : 0;
}

/** Clear steps that every hypothesis can be held to. */
function judged(hypotheses: readonly PlaneHypothesis[]): { steps: number[]; days: number } {
  const { frame } = hypotheses[0]!;
  const { read, lit, clearness, days, ratedKwh } = frame;
  const steps: number[] = [];
  const seen = new Set<number>();
  for (let i = 0; i < frame.axis.count; i++) {
    if (read[i] === 0 || lit[i] === 0 || !(clearness[i]! > CLEAR_WEIGHED)) continue;
    if (hypotheses.some(({ spoilt, owedKwh }) => spoilt[i] === 1 || Number.isNaN(owedKwh[i]!))) continue;
    if (!hypotheses.some(({ owedKwh }) => owedKwh[i]! > DIM_WEIGHED_FRAC * ratedKwh)) continue;
    steps.push(i);
    seen.add(days.binOf[i]!);
  }
  return { steps, days: seen.size };
}

/** Mean of what is missed, squared near and straight far off, as a share of rated output squared. */
function lossOf({ frame: { meteredKwh, ratedKwh }, owedKwh }: PlaneHypothesis, steps: readonly number[]): number {
  const missed = steps.map((i) => Math.abs(meteredKwh[i]! - owedKwh[i]!) / ratedKwh);
  const far = FAR_TIMES * Math.max(1e-6, medianOf(missed));
  return missed.reduce((sum, off) => sum + (off < far ? off * off : far * (2 * off - far)), 0) / missed.length;
}
