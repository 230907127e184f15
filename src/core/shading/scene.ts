import { type Plane, planeOf } from "../irradiance";
import { arrayPlace, type PlacedArray, type PvArray, type ShadeRule, type Site } from "../site";
import type { Body } from "./body";
import { type HorizonLine, horizonLine } from "./horizon-line";
import { bodiesOf, placeByBearing } from "./obstacle-bodies";
import { type Patches, patchesOf } from "./patches";
import { skyRetainedFrac } from "./sky-view";
import { type Wedges, wedgesOf } from "./veil";

/** All that can stand between the sun and one array, ready for many directions. */
export interface ShadeScene {
  readonly place: PlacedArray;
  readonly patches: Patches;
  readonly bodies: readonly Body[];
  readonly wedges: Wedges;
  readonly horizon: HorizonLine | null;
  readonly rule: ShadeRule;
  /** Share of the even sky that is left, January first. */
  readonly skyRetained: readonly number[];
}

/** Rule of an array where its book leaves it to the hardware: by module behind one inverter a module, else by bypass diodes where there are any. */
export function shadeRuleOf(site: Site, array: PvArray): ShadeRule {
  const { shading } = site.models;
  if (shading !== "by-array" && shading !== "none") return shading;
  if (array.shadeRule) return array.shadeRule;
  if (site.inverters.some((inverter) => inverter.perModule && inverter.arrays.includes(array.id))) return "module-level";
  return site.modules[array.module]!.bypassDiodes > 0 ? "bypass-diodes" : "worst-module";
}

/** Solids around an array: the site's obstacles and its own. */
export const bodiesAround = (site: Site, place: PlacedArray): Body[] => [
  ...site.obstacles.flatMap(bodiesOf),
  ...place.array.obstacles.flatMap((obstacle) => bodiesOf(placeByBearing(place, obstacle))),
];

export const horizonPointsOf = (site: Site, array: PvArray) => (array.horizon.length > 0 ? array.horizon : site.horizon);

/** The scene of an array; null where nothing stands in its light, or the book counts no shading. */
export function shadeScene(site: Site, array: PvArray): ShadeScene | null {
  if (site.models.shading === "none") return null;
  const place = arrayPlace(site, array.id);
  const bodies = bodiesAround(site, place);
  const horizon = horizonLine(horizonPointsOf(site, array));
  if (bodies.length === 0 && !horizon) return null;
  const patches = patchesOf(place, site.modules[array.module]!);
  const wedges = wedgesOf(place, patches.points, bodies);
  const plane = planeOf(array.tiltDeg, array.azimuthDeg);
  return {
    place,
    patches,
    bodies,
    wedges,
    horizon,
    rule: shadeRuleOf(site, array),
    skyRetained: skyByMonth(plane, patches, { bodies, wedges, horizon }),
  };
}

/** Points from which the sky is looked at: of the first, the middle and the last patch. */
function lookouts({ points, count }: Patches): Float64Array {
  const chosen = [...new Set([0, count >> 1, count - 1])].flatMap((patch) => [patch * 6, patch * 6 + 3]);
  return Float64Array.from(chosen.flatMap((at) => [points[at]!, points[at + 1]!, points[at + 2]!]));
}

function skyByMonth(plane: Plane, patches: Patches, around: Parameters<typeof skyRetainedFrac>[2]): number[] {
  const points = lookouts(patches);
  const known = new Map<string, number>();
  return Array.from({ length: 12 }, (_, month) => {
    const leaves = around.bodies.map((body) => body.through[month]).join();
    const cached = known.get(leaves) ?? skyRetainedFrac(plane, points, around, month);
    known.set(leaves, cached);
    return cached;
  });
}
