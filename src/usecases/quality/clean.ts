import type { Decision } from "@/contracts/examination";
import { derived, derivedCounters, derivedSpans, type Remedy } from "@/core/quality";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import type { Site } from "@/core/site";
import { sunHeights } from "@/core/sun";
import type { StoredSeries, StoredSparse } from "../ledger";

/** A series' name in keys: what it holds, whose it is, at what step. */
export const seriesKeyOf = ({ quantity, meterId, axis }: StoredSeries): string => `${meterId}:${quantity}:${axis.stepMinutes}`;
export const counterKeyOf = (meterId: string): string => `${meterId}:counter:hand`;
/** Totals of a meter that were typed or brought as a table. */
export const spanKeyOf = (meterId: string): string => `${meterId}:span:hand`;
export const findingKeyOf = (seriesKey: string, kind: string, fromUtcMs: number): string => `${seriesKey}/${kind}/${fromUtcMs}`;

/** The remedies that were accepted for a series. */
export const acceptedFor = (decisions: readonly Decision[], seriesKey: string): Remedy[] =>
  decisions
    .filter(({ findingKey, state }) => state === "accepted" && findingKey.startsWith(`${seriesKey}/`))
    .flatMap(({ remedies }) => remedies);

/** The clean series: energies derived from the raw readings by what was accepted. Series without accepted remedies come back as they are. */
export function cleanSeries(stored: readonly StoredSeries[], decisions: readonly Decision[], site: Site): StoredSeries[] {
  return stored.map((series) => {
    const remedies = acceptedFor(decisions, seriesKeyOf(series));
    if (remedies.length === 0) return series;
    const raw = energyKwh(series.values, series.quantity as ProductionQuantity, series.axis.stepMinutes);
    const sun = remedies.some((remedy) => remedy.op === "zero" && remedy.only === "night")
      ? { up: sunHeights(series.axis, site.place) }
      : null;
    const evenly = remedies.filter(({ op }) => op === "spread" || op === "fill");
    return { ...series, quantity: "energy_kwh", values: derived(series.axis, raw, remedies, sun), evenly };
  });
}

/** Readings of each meter, in the order in which the meters come. */
export const byMeter = <T extends { readonly meterId: string }>(readings: readonly T[]): (readonly [string, T[]])[] =>
  [...new Set(readings.map(({ meterId }) => meterId))].map((meterId) => [meterId, readings.filter((own) => own.meterId === meterId)]);

/** Totals and counter readings by what was accepted. */
export const cleanSparse = ({ spans, counters }: StoredSparse, decisions: readonly Decision[]): StoredSparse => ({
  spans: byMeter(spans).flatMap(([meterId, own]) => derivedSpans(own, acceptedFor(decisions, spanKeyOf(meterId)))),
  counters: byMeter(counters).flatMap(([meterId, own]) => derivedCounters(own, acceptedFor(decisions, counterKeyOf(meterId)))),
});
