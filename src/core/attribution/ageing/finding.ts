import type { Evidence } from "../evidence";
import { type CauseFinding, NO_ENERGY, wholeRecord } from "../finding";
import { AGEING_BEYOND, SURE_AGEING } from "./thresholds";

/** Ageing that is surely faster than planned. */
export function ageingFindings(evidence: Evidence, plannedFrac: number): CauseFinding[] {
  const { ageing } = evidence;
  if (ageing.isTooSoon || !(ageing.low > plannedFrac + AGEING_BEYOND)) return [];
  return [
    {
      kind: "ageing",
      ...wholeRecord(evidence),
      ...NO_ENERGY,
      confidenceFrac: SURE_AGEING,
      facts: { perYearFrac: ageing.perYearFrac, lowFrac: ageing.low, highFrac: ageing.high, plannedFrac },
    },
  ];
}
