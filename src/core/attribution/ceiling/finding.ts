import type { Evidence } from "../evidence";
import { type CauseFinding, wholeRecord, within } from "../finding";
import { CEILING_OFF, RATED_OFF, SURE_CEILING } from "./thresholds";

/** A flat top that is not the rating in the book. */
export function ceilingFindings(evidence: Evidence, ratedW: number | null): CauseFinding[] {
  const { ceiling, frame } = evidence;
  if (!ceiling || ratedW === null) return [];
  const ratedAtMeterW = ratedW * (1 - frame.site.losses.acWiringFrac);
  if (Math.abs(ceiling.powerW / ratedAtMeterW - 1) < RATED_OFF) return [];
  const mostKwh = (ratedAtMeterW / 1000) * (frame.axis.stepMinutes / 60);
  const beyond = evidence.expectedKwh.reduce(
    (sum, kwh) => (kwh > evidence.ceilingKwh ? sum + Math.min(kwh, mostKwh) - evidence.ceilingKwh : sum),
    0,
  );
  return [
    {
      kind: "ceiling",
      ...wholeRecord(evidence),
      ...within(Math.max(0, beyond), CEILING_OFF),
      confidenceFrac: SURE_CEILING,
      facts: { powerW: ceiling.powerW, ratedW: ratedAtMeterW, heldSteps: ceiling.heldSteps },
    },
  ];
}
