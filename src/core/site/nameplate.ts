import type { PvArray, Site } from "./types";

/** Nameplate of an array, W at standard test conditions. Throws when the array names a module that the site lacks. */
export function arrayNameplateW(site: Site, array: PvArray): number {
  const module = site.modules[array.module];
  if (!module) throw new RangeError(`Array ${array.id} names module ${array.module}, which the site lacks`);
  return module.pmpW * array.count;
}

export const nameplateW = (site: Site): number => site.arrays.reduce((sum, array) => sum + arrayNameplateW(site, array), 0);
