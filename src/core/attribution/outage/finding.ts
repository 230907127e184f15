import type { Doubt } from "../doubt";
import type { RunEvidence } from "../evidence";
import { type CauseFinding, lostKwh, startOf, within } from "../finding";
import { LONG_STEPS, SURE_LONG, SURE_SHORT } from "./thresholds";

/** Each standstill with what was expected meanwhile. Where snow may have lain on the modules, it may have kept all of it as well. */
export function outageFindings(evidence: RunEvidence, doubt: Doubt): CauseFinding[] {
  const { downFrac, outages } = evidence.outages;
  const { covered } = evidence.snow;
  return outages.map(({ from, to }) => {
    const lost = within(
      lostKwh(evidence, from, to, (i) => 1 - downFrac[i]!),
      doubt(from, to),
    );
    const underSnow = lostKwh(evidence, from, to, (i) => (covered[i] === 1 ? 1 - downFrac[i]! : 1));
    return {
      kind: "outage",
      fromUtcMs: startOf(evidence, from),
      toUtcMs: startOf(evidence, to),
      ...lost,
      kwhLow: Math.max(0, lost.kwhLow! - underSnow),
      confidenceFrac: to - from > LONG_STEPS ? SURE_LONG : SURE_SHORT,
      facts: { hours: ((to - from) * evidence.frame.axis.stepMinutes) / 60 },
    };
  });
}
