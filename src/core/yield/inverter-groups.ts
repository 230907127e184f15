import { arrayNameplateW, type Inverter, type PvArray, type Site } from "../site";

/** Efficiency taken for arrays that no inverter of the site document names. Source: IEC 61683 class of common string inverters. */
export const ASSUMED_EFFICIENCY_FRAC = 0.96;

export interface InverterGroup {
  readonly arrays: readonly PvArray[];
  readonly efficiencyFrac: number;
  /** Of all its arrays together, W; infinite where the site names no inverter. */
  readonly acRatedW: number;
}

/** The site's inverters with their arrays; arrays on no inverter get one of the assumed efficiency that never clips. */
export function inverterGroups(site: Site): InverterGroup[] {
  const groups = site.inverters.map((inverter) => group(site, inverter)).filter((g) => g.arrays.length > 0);
  const orphans = site.arrays.filter((array) => !site.inverters.some((inverter) => inverter.arrays.includes(array.id)));
  if (orphans.length > 0) groups.push({ arrays: orphans, efficiencyFrac: ASSUMED_EFFICIENCY_FRAC, acRatedW: Number.POSITIVE_INFINITY });
  return groups;
}

function group(site: Site, inverter: Inverter): InverterGroup {
  const arrays = site.arrays.filter((array) => inverter.arrays.includes(array.id));
  const modules = arrays.reduce((sum, array) => sum + array.count, 0);
  return { arrays, efficiencyFrac: inverter.ratedEfficiencyFrac, acRatedW: inverter.acRatedW * (inverter.perModule ? modules : 1) };
}

/** Nameplate of all arrays of a group, W. */
export const groupNameplateW = (site: Site, g: InverterGroup): number => g.arrays.reduce((sum, a) => sum + arrayNameplateW(site, a), 0);
