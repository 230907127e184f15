import { Z_95 } from "../../statistics";
import type { Evidence } from "../evidence";
import { type CauseFinding, dayStart, lostKwh, NO_ENERGY, wholeRecord, within } from "../finding";
import type { SoilingReset } from "./detect";
import {
  DIRT_OFF,
  FIT_OFF,
  HALF_SURE_GAIN,
  LARGE_JUMP_FRAC,
  LEAST_CLEANING_FRAC,
  MOST_OFF,
  MOST_SURE,
  SURE_LARGE_JUMP,
  SURE_SMALL_JUMP,
} from "./thresholds";

/** Dirt of the whole record, and each cleaning that nobody wrote down. */
export function soilingFindings(evidence: Evidence): CauseFinding[] {
  const { soiling, frame } = evidence;
  if (!soiling.isSeen) return [];
  const kwh = lostKwh(
    { ...evidence, expectedKwh: withoutDirt(evidence) },
    0,
    frame.axis.count,
    (i) => 1 - soiling.lostFracByDay[frame.days.binOf[i]!]!,
  );
  const byFit = (Z_95 * soiling.meanErrorFrac) / Math.max(1e-6, soiling.meanLostFrac) + FIT_OFF;
  const off = Math.min(MOST_OFF, Math.max(byFit, DIRT_OFF / Math.sqrt(soiling.gain)));
  const countOf = (cause: SoilingReset["cause"]): number => soiling.resets.filter((reset) => reset.cause === cause).length;
  const suspected = soiling.resets.filter((reset) => reset.cause === "suspected" && reset.effectFrac > LEAST_CLEANING_FRAC);
  return [
    {
      kind: "soiling",
      ...wholeRecord(evidence),
      ...within(kwh, off),
      confidenceFrac: Math.min(MOST_SURE, soiling.gain / (soiling.gain + HALF_SURE_GAIN)),
      facts: {
        ratePerDayFrac: soiling.ratePerDay,
        rateLowFrac: soiling.ratePerDayRange[0],
        rateHighFrac: soiling.ratePerDayRange[1],
        meanLostFrac: soiling.meanLostFrac,
        mostLostFrac: Math.max(...soiling.lostFracByDay),
        fitGain: soiling.gain,
        rains: countOf("rain"),
        cleanings: countOf("cleaning"),
      },
    },
    ...suspected.map((reset): CauseFinding => cleaningFinding(evidence, reset)),
  ];
}

const cleaningFinding = (evidence: Evidence, { day, beforeFrac, effectFrac }: SoilingReset): CauseFinding => ({
  kind: "unrecorded-cleaning",
  fromUtcMs: dayStart(evidence, day),
  toUtcMs: dayStart(evidence, day + 1),
  ...NO_ENERGY,
  confidenceFrac: effectFrac > LARGE_JUMP_FRAC ? SURE_LARGE_JUMP : SURE_SMALL_JUMP,
  facts: { beforeFrac, effectFrac },
});

const withoutDirt = ({ expectedKwh, soiling, frame }: Evidence): Float64Array =>
  expectedKwh.map((kwh, i) => kwh / (1 - soiling.lostFracByDay[frame.days.binOf[i]!]!));
