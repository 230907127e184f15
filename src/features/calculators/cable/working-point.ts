import type { SiteDocument } from "@/contracts/site";
import type { PvArray } from "@/core/site";

/** One string and its own pair of cores, or all strings of the array together. */
export type Scope = "string" | "array";

/** Working voltage of a module of 60 cells, V. */
const USUAL_VMP_V = 35;

/** Modules that stand in one string of an array. */
export function inSeriesOf(site: SiteDocument, array: PvArray): number {
  const inverter = site.inverters.find(({ arrays }) => arrays.includes(array.id));
  return inverter?.perModule ? 1 : Math.min(array.count, array.modulesPerString ?? array.count);
}

/** Current and voltage of what a cable carries in full light: one string, or the strings of the array together. A usual voltage stands in for a module whose sheet was not entered. */
export function workingPoint(site: SiteDocument, array: PvArray, scope: Scope, ownVoltageV: number | null) {
  const module = site.modules[array.module]!;
  const inSeries = inSeriesOf(site, array);
  const strings = scope === "array" ? Math.max(1, Math.round(array.count / inSeries)) : 1;
  const vmpV = module.vmpV ?? USUAL_VMP_V;
  const [currentA, voltageV] = [strings * (module.impA ?? module.pmpW / vmpV), vmpV * inSeries];
  return ownVoltageV === null ? { currentA, voltageV } : { currentA: (currentA * voltageV) / ownVoltageV, voltageV: ownVoltageV };
}
