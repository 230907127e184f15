import type { RunEvidence } from "../evidence";
import { type CauseFinding, lostKwh, startOf, within } from "../finding";
import { CURTAILED_OFF, MANY_DAYS, SURE_FEW_DAYS, SURE_MANY_DAYS } from "./thresholds";

/** Each stretch under a limit with what it cut. */
export function curtailmentFindings(evidence: RunEvidence): CauseFinding[] {
  const { lostFrac, spells } = evidence.curtailed;
  return spells.map(({ from, to, powerKw, days, isMoved = false }) => ({
    kind: "held-low",
    fromUtcMs: startOf(evidence, from),
    toUtcMs: startOf(evidence, to),
    ...within(
      lostKwh(evidence, from, to, (i) => 1 - lostFrac[i]!),
      CURTAILED_OFF,
    ),
    confidenceFrac: days > MANY_DAYS ? SURE_MANY_DAYS : SURE_FEW_DAYS,
    facts: { powerKw, days, isMoved: isMoved ? "yes" : "no" },
  }));
}
