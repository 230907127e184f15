import type { ShadeRule, Site } from "../site";
import { monthSums, sumOf } from "./month-sums";
import type { PreparedWeather } from "./prepare";

/** What stands in the sun's way, and the energy at the meter that would come back without it: kWh by month, January first. */
export interface ObstacleCost {
  readonly id: string;
  readonly monthsKwh: readonly number[];
}

/** Shade of a site over a weather series. */
export interface ShadeReport {
  readonly expectedKwh: readonly number[];
  /** At the meter without any obstacle or horizon. */
  readonly openKwh: readonly number[];
  /** The account of the ledger: energy at nameplate efficiency before shading less after it. */
  readonly accountKwh: readonly number[];
  /** What is lost at the meter under each rule, whole year. */
  readonly byRule: readonly { readonly rule: ShadeRule; readonly lostKwh: number }[];
  /** Obstacles one by one; "horizon" is all of the horizon lines. */
  readonly costs: readonly ObstacleCost[];
}

const RULES: readonly ShadeRule[] = ["module-level", "bypass-diodes", "worst-module"];
export const HORIZON_ID = "horizon";
/** Name of an array's own obstacle among all that stand in the plan. */
export const ownObstacleId = (arrayId: string, place: number): string => `${arrayId}#${place}`;

/** A site without one of its obstacles, or without its horizon. */
export function withoutShader(site: Site, id: string): Site {
  if (id === HORIZON_ID) return { ...site, horizon: [], arrays: site.arrays.map((array) => ({ ...array, horizon: [] })) };
  return {
    ...site,
    obstacles: site.obstacles.filter((obstacle) => obstacle.id !== id),
    arrays: site.arrays.map((array) => ({ ...array, obstacles: array.obstacles.filter((_, k) => ownObstacleId(array.id, k) !== id) })),
  };
}

/** Names of all that shades: obstacles of the plan, those of each array, the horizon. */
function shadersOf(site: Site): string[] {
  const own = site.arrays.flatMap((array) => array.obstacles.map((_, k) => ownObstacleId(array.id, k)));
  const drawn = site.horizon.length > 0 || site.arrays.some((array) => array.horizon.length > 0);
  return [...site.obstacles.map((obstacle) => obstacle.id), ...own, ...(drawn ? [HORIZON_ID] : [])];
}

/** Two readings of shade: the ledger's account, and what each cause alone takes at the meter (the chain with it and without it). */
export function shadeReport(site: Site, prepared: PreparedWeather): ShadeReport {
  const base = monthSums(site, prepared);
  const under = (shading: Site["models"]["shading"]): readonly number[] =>
    monthSums({ ...site, models: { ...site.models, shading } }, prepared).expectedKwh;
  const openKwh = under("none");
  return {
    expectedKwh: base.expectedKwh,
    openKwh,
    accountKwh: base.shadingKwh,
    byRule: RULES.map((rule) => ({ rule, lostKwh: sumOf(openKwh) - sumOf(under(rule)) })),
    costs: shadersOf(site).map((id) => {
      const without = monthSums(withoutShader(site, id), prepared).expectedKwh;
      return { id, monthsKwh: without.map((kwh, m) => kwh - base.expectedKwh[m]!) };
    }),
  };
}
