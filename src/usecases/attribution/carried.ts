import type { AttributionView } from "@/contracts/attribution";
import { type EnergyBasisKind, mayBeSaid } from "@/core/basis";

/**
 * What of a search the readings carry, for whoever asks: pages, payback, the printed form. A counter that is read now and then, or bills, tell no rate of ageing, whatever
 * the search made of them. The light is the search's own concern: it seeks nothing in a usual year's.
 */
export function carriedBy(view: AttributionView, energy: EnergyBasisKind): AttributionView {
  if (mayBeSaid("ageing", { weather: "measured", energy }).permission !== "withheld") return view;
  const ageing = { ...view.ageing, perYearFrac: null, low: null, high: null, recent: null, methods: [], filters: [], fan: [] };
  return { ...view, ageing, parts: [] };
}
