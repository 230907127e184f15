import { DAY_MS } from "../../src/core/units";
import type { ReadPlant } from "./plant";
import { gainedIn, msOf, type Span, touches } from "./spans";
import type { PlantTruth } from "./truth";

/** What the analysis claims of a plant, and whether its truth knows of it. */
export interface Claim extends Span {
  readonly kind: string;
  readonly kwh: number | null;
  readonly confidenceFrac: number;
  readonly isTrue: boolean;
}

/** Claims of causes and of readings that a truth can judge; kinds that it says nothing of are left out. */
export function claimsOf({ causes: { findings }, readings }: ReadPlant, truth: PlantTruth): Claim[] {
  const zone = truth.record.timezone;
  const spanOf = ({ start, end }: { start: string; end: string }): Span => ({ fromUtcMs: msOf(start, zone), toUtcMs: msOf(end, zone) });
  const lost = truth.totals.losses_kwh;
  const outs = truth.outages.map((outage) => ({ ...spanOf(outage), isPart: outage.kind === "string" || outage.kind === "tracker" }));
  const cleaned = truth.soiling.cleanings.map((day) => msOf(day, zone));
  const unwritten = truth.soiling.cleanings.filter((day) => !truth.soiling.cleanings_recorded.includes(day)).map((day) => msOf(day, zone));
  const held = [...truth.curtailment, ...(truth.derating?.fan_failed ? [truth.derating.fan_failed] : [])].map(spanOf);
  const isTrue = (finding: Span & { readonly kind: string; readonly kwh: number | null }): boolean | null => {
    const near = (utcMs: number, days: number): boolean => Math.abs(finding.fromUtcMs - utcMs) <= days * DAY_MS;
    switch (finding.kind) {
      case "outage":
        return outs.some((out) => touches(finding, out));
      case "strings-out":
        return outs.some((out) => out.isPart && touches(finding, out));
      case "held-low":
        return truth.ceiling_change !== undefined || outs.length > 0 || held.some((span) => touches(finding, span));
      case "derating":
        return (lost.derating ?? 0) > 0;
      case "soiling":
      case "shading":
        return (lost[finding.kind] ?? 0) > 0 && (finding.kwh ?? 0) <= 2 * lost[finding.kind]! + 0.003 * truth.totals.delivered_kwh;
      case "snow":
        return gainedIn(truth, "snow", finding) > 0.3 * (finding.kwh ?? 0);
      case "orientation":
        return !truth.actual.arrays[0]!.as_claimed;
      case "ceiling":
        return truth.ceiling_change !== undefined;
      case "unrecorded-cleaning":
        return unwritten.some((day) => near(day, 3.5));
      case "sensor-dirty":
        return (truth.weather_sensor?.soiled ?? []).some((span) => touches(finding, spanOf(span)));
      case "level-step":
        return (
          [truth.meter_change, truth.ceiling_change, truth.counter].some((change) => change !== undefined) ||
          [...cleaned, ...outs.flatMap(({ fromUtcMs, toUtcMs }) => [fromUtcMs, toUtcMs])].some((edge) => near(edge, 4.5))
        );
      case "clock-shift":
      case "no-summer-time":
        return truth.clock.wrong_spans.some((span) => touches(finding, spanOf(span)));
      case "unit-factor":
        return truth.unit_mistakes.some((span) => touches(finding, spanOf({ start: span.first_interval_start, end: span.end })));
      case "counter-reset":
      case "digit-slip":
        return truth.counter !== undefined;
      case "looks-export":
        return truth.meter_change !== undefined && touches(finding, spanOf(truth.meter_change.export_stands_in));
      case "negative":
        return truth.night_draw !== undefined;
      case "frozen":
      case "night-output":
      case "battery":
      case "looks-dc":
      case "looks-net":
      case "counter-rollover":
        return false;
      default:
        return null;
    }
  };
  return [...findings, ...readings].flatMap((finding): Claim[] => {
    const known = isTrue(finding);
    const { kind, fromUtcMs, toUtcMs, kwh, confidenceFrac } = finding;
    return known === null ? [] : [{ kind, fromUtcMs, toUtcMs, kwh, confidenceFrac, isTrue: known }];
  });
}
