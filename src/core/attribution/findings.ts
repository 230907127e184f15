import { ageingFindings } from "./ageing/finding";
import { ceilingFindings } from "./ceiling/finding";
import { doubtOf } from "./doubt";
import type { Evidence, RunEvidence } from "./evidence";
import type { CauseFinding } from "./finding";
import { heatFindings } from "./heat/finding";
import { curtailmentFindings } from "./limit/finding";
import { outageFindings } from "./outage/finding";
import { planeFindings } from "./plane/finding";
import { sensorFindings } from "./sensor/finding";
import { shadeFindings } from "./shade/finding";
import { snowFindings } from "./snow/finding";
import { soilingFindings } from "./soiling/finding";
import { stringFindings } from "./strings/finding";

/** All findings of an evidence, in order of time. `ratedW` is the AC rating in the book, null where there is none. */
export function causeFindings(evidence: Evidence, ratedW: number | null, plannedPerYearFrac: number): CauseFinding[] {
  const found = [
    ...datedFindings(evidence),
    ...ceilingFindings(evidence, ratedW),
    ...heatFindings(evidence),
    ...shadeFindings(evidence),
    ...planeFindings(evidence),
    ...soilingFindings(evidence),
    ...sensorFindings(evidence),
    ...ageingFindings(evidence, plannedPerYearFrac),
  ];
  return found.sort((a, b) => a.fromUtcMs - b.fromUtcMs || a.kind.localeCompare(b.kind));
}

/** Findings that begin and end on days: standstill, limits, strings out, snow. */
export function datedFindings(evidence: RunEvidence): CauseFinding[] {
  const doubt = doubtOf(evidence);
  return [
    ...outageFindings(evidence, doubt),
    ...curtailmentFindings(evidence),
    ...stringFindings(evidence, doubt),
    ...snowFindings(evidence, doubt),
  ];
}
