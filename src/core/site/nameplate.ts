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
