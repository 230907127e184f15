import type { Evidence } from "../evidence";
import { type CauseFinding, lostKwh, startOf, within } from "../finding";
import type { HeatLaw } from "./detect";
import { HEAT_OFF, LEAST_LOST_FRAC, SURE_LAW, SURE_SPAN } from "./thresholds";

/** Inverters that held back in the heat: each span in which they did so sooner, and the rest of the record where that is worth telling. */
export function heatFindings(evidence: Evidence): CauseFinding[] {
  const { law, spans } = evidence.heat;
  const last = evidence.frame.axis.count;
  const found = spans.map((span) => findingOf(evidence, span, span.from, span.to, true));
  if (!law) return found;
  const whole = findingOf(evidence, law, 0, last, false);
  const due = evidence.expectedKwh.reduce((sum, kwh) => (kwh > 0 ? sum + kwh : sum), 0);
  return (whole.kwh ?? 0) > LEAST_LOST_FRAC * due ? [...found, whole] : found;
}

/** A span's own energy, or that of all steps outside the spans. */
function findingOf(evidence: Evidence, { fromC, perKFrac }: HeatLaw, from: number, to: number, isSpan: boolean): CauseFinding {
  const { lostFrac, touched, spans } = evidence.heat;
  const isOwn = (i: number): boolean => isSpan || !spans.some((span) => i >= span.from && i < span.to);
  let hours = 0;
  for (let i = from; i < to; i++) if (touched[i] === 1 && isOwn(i)) hours++;
  return {
    kind: "derating",
    fromUtcMs: startOf(evidence, from),
    toUtcMs: startOf(evidence, to),
    ...within(
      lostKwh(evidence, from, to, (i) => (isOwn(i) ? 1 - lostFrac[i]! : 1)),
      HEAT_OFF,
    ),
    confidenceFrac: isSpan ? SURE_SPAN : SURE_LAW,
    facts: { fromC, perKFrac, isSpan: isSpan ? "yes" : "no", hours: (hours * evidence.frame.axis.stepMinutes) / 60 },
  };
}
