import type { Doubt } from "../doubt";
import type { RunEvidence } from "../evidence";
import { type CauseFinding, lostKwh, startOf, within } from "../finding";
import { LEAST_OFF, LEAST_SURE, MOST_SURE } from "./thresholds";

/** Each part that was out, surer the nearer the measured share lies to a whole part. */
export function stringFindings(evidence: RunEvidence, doubt: Doubt): CauseFinding[] {
  return evidence.strings.map(({ from, to, lostFrac, measuredFrac, part, restored }) => {
    const off = Math.abs(measuredFrac / lostFrac - 1);
    return {
      kind: "strings-out",
      fromUtcMs: startOf(evidence, from),
      toUtcMs: startOf(evidence, to),
      ...within(
        lostKwh(evidence, from, to, () => 1 - lostFrac),
        Math.max(LEAST_OFF, off, doubt(from, to)),
      ),
      confidenceFrac: Math.max(LEAST_SURE, MOST_SURE - off),
      facts: { part: part.kind, out: part.out, of: part.of, measuredFrac, lostFrac, restored: restored ? "yes" : "no" },
    };
  });
}
