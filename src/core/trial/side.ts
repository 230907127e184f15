import { curveTable, fillCurve } from "../inverter";
import type { TimeAxis } from "../series";
import { type MeteringPoint, nameplateW, type Site } from "../site";
import { hoursOfStep } from "../units";
import { curveOf, inverterGroups, ratedDcW } from "../yield";

/** One side of a trial: its own part of the site, and what its meter wrote down, kWh an interval; missing is NaN. */
export interface TrialSide {
  readonly name: string;
  /** The site with this side's arrays and inverters alone. */
  readonly site: Site;
  readonly point: MeteringPoint;
  readonly meteredKwh: Float64Array;
}

export const sideKwp = ({ site }: Pick<TrialSide, "site">): number => nameplateW(site) / 1000;

/**
 * Readings from before the inverter as its output would have been: efficiency by load, the rating, the wiring after it. Readings from
 * behind the inverter stay as they are. Source: King et al., 2007, Performance model for grid-connected photovoltaic inverters (efficiency by load).
 */
export function atAcPoint({ site, point, meteredKwh }: TrialSide, axis: TimeAxis): Float64Array {
  if (point !== "dc") return meteredKwh;
  const perWatt = 1000 / hoursOfStep(axis.stepMinutes);
  const groups = inverterGroups(site);
  const allW = nameplateW(site);
  const out = new Float64Array(meteredKwh.length);
  for (const group of groups) {
    const share = group.arrays.reduce((sum, array) => sum + site.modules[array.module]!.pmpW * array.count, 0) / allW;
    const powerW = meteredKwh.map((kwh) => kwh * perWatt * share);
    fillCurve(powerW, ratedDcW(site, group), curveTable(curveOf(group)), powerW.length);
    for (let i = 0; i < out.length; i++) out[i] = out[i]! + Math.min(group.acRatedW, powerW[i]!) / perWatt;
  }
  const kept = (1 - site.losses.acWiringFrac) * (1 - site.losses.transformerFrac);
  return out.map((kwh) => kwh * kept);
}
