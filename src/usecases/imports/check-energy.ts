import type { ProblemLog } from "@/contracts/problems";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import { total } from "@/core/series";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import { joinPages, type MeteredPages } from "./join-pages";

/** Places that are worth their words; what follows is counted. */
const PLACES_SHOWN = 20;

/** Energy of all columns, kWh; steps that hold more than can be are remarked. */
export function checkEnergy(series: readonly MeteredPages[], mostOf: (stepMinutes: number) => number, log: ProblemLog): number {
  let sum = 0;
  let shown = 0;
  for (const pages of series) {
    const most = mostOf(pages.stepMinutes);
    for (const { startUtcMs, values } of stretches(pages)) {
      const energies = energyKwh(values, pages.quantity as ProductionQuantity, pages.stepMinutes);
      sum += total(energies, "skip");
      for (let i = 0; i < energies.length; i++) {
        const kwh = energies[i]!;
        if (!(kwh > most)) continue;
        if (shown++ >= PLACES_SHOWN) {
          log.add("implausible-energy", "notice");
          continue;
        }
        const at = new Date(startUtcMs + i * pages.stepMinutes * MINUTE_MS).toISOString().slice(0, 16);
        log.add(
          "implausible-energy",
          "notice",
          { column: `${pages.quantity} at ${at}Z`, value: String(Math.round(kwh * 1000) / 1000) },
          { mostKwh: Math.round(most * 100) / 100, minutes: pages.stepMinutes },
        );
      }
    }
  }
  return sum;
}

/** Values to be turned into energy together: a counter needs its next reading across midnight, anything else goes day by day. */
function stretches(pages: MeteredPages): { startUtcMs: number; values: Float64Array }[] {
  if (pages.quantity === "counter_kwh") {
    const joined = joinPages(pages);
    return joined ? [{ startUtcMs: joined.axis.startUtcMs, values: joined.values }] : [];
  }
  return [...pages.days].map(([day, values]) => ({ startUtcMs: day * DAY_MS + pages.phaseMinutes * MINUTE_MS, values }));
}
