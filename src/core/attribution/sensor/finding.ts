import { Z_95 } from "../../statistics";
import type { Evidence } from "../evidence";
import { type CauseFinding, dayStart, NO_ENERGY, wholeRecord } from "../finding";
import { DRIFT_DEVIATIONS, SURE_BY_BOTH, SURE_BY_SKY } from "./thresholds";

/** Weeks of a dirty dome: they claim no energy, since the plant lost none. */
export const sensorFindings = (evidence: Evidence): CauseFinding[] => [...domeFindings(evidence), ...driftFindings(evidence)];

/** A light that moved against the clear sky by more than the sky itself may move. */
function driftFindings(evidence: Evidence): CauseFinding[] {
  const drift = evidence.ageing.lightDrift;
  if (!drift || Math.abs(drift.perYearFrac) < DRIFT_DEVIATIONS * drift.standardFrac) return [];
  const half = Z_95 * drift.standardFrac;
  return [
    {
      kind: "sensor-drift",
      ...wholeRecord(evidence),
      ...NO_ENERGY,
      confidenceFrac: SURE_BY_SKY,
      facts: {
        perYearFrac: drift.perYearFrac,
        lowFrac: drift.perYearFrac - half,
        highFrac: drift.perYearFrac + half,
        takenFrac: drift.takenPerYearFrac,
        pairs: drift.pairs,
      },
    },
  ];
}

const domeFindings = (evidence: Evidence): CauseFinding[] =>
  evidence.domes.map(({ from, to, lowFrac, lightLackFrac }) => ({
    kind: "sensor-dirty",
    fromUtcMs: dayStart(evidence, from),
    toUtcMs: dayStart(evidence, to),
    ...NO_ENERGY,
    confidenceFrac: SURE_BY_BOTH,
    facts: { lowFrac, days: to - from, lightLackFrac },
  }));
