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

/** A site with some of its arrays (none named: all), and with the inverters that serve them. Revisions keep what they say of these. */
export function sideSite(site: Site, arrayIds: readonly string[]): Site {
  if (arrayIds.length === 0) return site;
  const kept = new Set(arrayIds);
  const inverters = site.inverters
    .map((inverter) => ({ ...inverter, arrays: inverter.arrays.filter((id) => kept.has(id)) }))
    .filter((inverter) => inverter.arrays.length > 0);
  const ids = { arrays: kept, inverters: new Set(inverters.map(({ id }) => id)) };
  return {
    ...site,
    arrays: site.arrays.filter(({ id }) => kept.has(id)),
    inverters,
    revisions: site.revisions.map((revision) => ({ ...revision, change: partOf(revision.change, ids) })),
  };
}

function partOf(
  change: Readonly<Record<string, unknown>>,
  ids: { readonly arrays: ReadonlySet<string>; readonly inverters: ReadonlySet<string> },
): Record<string, unknown> {
  const out: Record<string, unknown> = { ...change };
  for (const list of ["arrays", "inverters"] as const) {
    const items = change[list];
    if (Array.isArray(items)) out[list] = (items as { id: string }[]).filter(({ id }) => ids[list].has(id));
  }
  return out;
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
