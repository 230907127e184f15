import type { RunEvidence } from "../evidence";
import { type CauseFinding, lostKwh, startOf, within } from "../finding";
import { LONG_STEPS, OUTAGE_OFF, SURE_LONG, SURE_SHORT } from "./thresholds";

/** Each standstill with what was expected meanwhile. */
export function outageFindings(evidence: RunEvidence): CauseFinding[] {
  const { downFrac, outages } = evidence.outages;
  return outages.map(({ from, to }) => ({
    kind: "outage",
    fromUtcMs: startOf(evidence, from),
    toUtcMs: startOf(evidence, to),
    ...within(
      lostKwh(evidence, from, to, (i) => 1 - downFrac[i]!),
      OUTAGE_OFF,
    ),
    confidenceFrac: to - from > LONG_STEPS ? SURE_LONG : SURE_SHORT,
    facts: { hours: ((to - from) * evidence.frame.axis.stepMinutes) / 60 },
  }));
}
