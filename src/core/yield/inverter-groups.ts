import { type EfficiencyPoint, usualCurve } from "../inverter";
import { arrayNameplateW, type Inverter, type PvArray, type Site } from "../site";

/** Efficiency taken for arrays that no inverter of the site document names. Source: IEC 61683 class of common string inverters. */
export const ASSUMED_EFFICIENCY_FRAC = 0.96;

export interface InverterGroup {
  readonly arrays: readonly PvArray[];
  /** Inverter of the site document; null for arrays that none names. */
  readonly inverter: Inverter | null;
  readonly efficiencyFrac: number;
  /** Devices of this kind: one a module where each module has its own. */
  readonly devices: number;
  /** Of all its devices together, W; infinite where the site names no inverter. */
  readonly acRatedW: number;
}

/** The site's inverters with their arrays; arrays on no inverter get one of the assumed efficiency that never clips. */
export function inverterGroups(site: Site): InverterGroup[] {
  const groups = site.inverters.map((inverter) => group(site, inverter)).filter((g) => g.arrays.length > 0);
  const orphans = site.arrays.filter((array) => !site.inverters.some((inverter) => inverter.arrays.includes(array.id)));
  if (orphans.length > 0) {
    groups.push({
      arrays: orphans,
      inverter: null,
      efficiencyFrac: ASSUMED_EFFICIENCY_FRAC,
      devices: 1,
      acRatedW: Number.POSITIVE_INFINITY,
    });
  }
  return groups;
}

function group(site: Site, inverter: Inverter): InverterGroup {
  const arrays = site.arrays.filter((array) => inverter.arrays.includes(array.id));
  const devices = inverter.perModule ? arrays.reduce((sum, array) => sum + array.count, 0) : 1;
  return { arrays, inverter, efficiencyFrac: inverter.ratedEfficiencyFrac, devices, acRatedW: inverter.acRatedW * devices };
}

/** Nameplate of all arrays of a group, W. */
const groupNameplateW = (site: Site, g: InverterGroup): number => g.arrays.reduce((sum, a) => sum + arrayNameplateW(site, a), 0);

/** Rated DC power of a group: the AC rating over the rated efficiency, or the nameplate where there is no rating. */
export const ratedDcW = (site: Site, g: InverterGroup): number =>
  Number.isFinite(g.acRatedW) ? g.acRatedW / g.efficiencyFrac : groupNameplateW(site, g);

/** Efficiency by load of a group: measured points where the book has them, else the usual curve through the rated efficiency. */
export const curveOf = (g: InverterGroup): readonly EfficiencyPoint[] => g.inverter?.efficiencyCurve ?? usualCurve(g.efficiencyFrac);
