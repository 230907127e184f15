import { DAY_MS } from "../units";
import { siteOn } from "./revision";
import type { PvArray, Site } from "./types";

/** Nameplate of an array, W at standard test conditions. Throws when the array names a module that the site lacks. */
export function arrayNameplateW(site: Site, array: PvArray): number {
  const module = site.modules[array.module];
  if (!module) throw new RangeError(`Array ${array.id} names module ${array.module}, which the site lacks`);
  return module.pmpW * array.count;
}

export const nameplateW = (site: Site): number => site.arrays.reduce((sum, array) => sum + arrayNameplateW(site, array), 0);

/** AC rating of all inverters of a site together, W; 0 where the site names none. */
export function siteAcRatedW(site: Site): number {
  const modulesOn = (arrays: readonly string[]): number =>
    site.arrays.reduce((n, array) => n + (arrays.includes(array.id) ? array.count : 0), 0);
  return site.inverters.reduce((sum, inverter) => sum + inverter.acRatedW * (inverter.perModule ? modulesOn(inverter.arrays) : 1), 0);
}

/** Mean nameplate of a stretch of local dates, W: each day by what stood on it. Dates from the first to before the last ("2024-05-03"). */
export function meanNameplateW(site: Site, fromDate: string, beforeDate: string): number {
  const cuts = site.revisions.map(({ from }) => from).filter((date) => date > fromDate && date < beforeDate);
  const edges = [fromDate, ...new Set(cuts.sort()), beforeDate];
  const days = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / DAY_MS;
  const sum = edges.slice(0, -1).reduce((total, from, k) => total + nameplateW(siteOn(site, from)) * days(from, edges[k + 1]!), 0);
  return sum / days(fromDate, beforeDate);
}
