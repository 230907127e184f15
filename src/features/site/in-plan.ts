import type { SiteDocument } from "@/contracts/site";
import { bearingOf, placeByBearing } from "@/core/shading";
import { arrayPlace, type SiteObstacle } from "@/core/site";
import { ownObstacleId } from "@/core/yield";
import type { SiteForm } from "./site-values";

/** Everything in the plan that shades: the site's obstacles, and those that arrays tell by bearing and distance. */
export const obstaclesInPlan = (site: SiteDocument): SiteObstacle[] => [
  ...site.obstacles,
  ...site.arrays.flatMap((array) =>
    array.obstacles.map((obstacle, k) => ({ ...placeByBearing(arrayPlace(site, array.id), obstacle), id: ownObstacleId(array.id, k) })),
  ),
];

/** Form path of an obstacle. */
export function obstaclePath(site: SiteDocument, id: string): string {
  const [arrayId, place] = id.split("#");
  const array = site.arrays.findIndex((candidate) => candidate.id === arrayId);
  if (place !== undefined && array >= 0) return `arrays.${array}.obstacles.${place}`;
  return `obstacles.${site.obstacles.findIndex((obstacle) => obstacle.id === id)}`;
}

interface Spot {
  readonly eastM: number;
  readonly northM: number;
}

/** Puts an array elsewhere in the plan. */
export function placeArray(form: SiteForm, id: string, to: Spot): void {
  const arrays = form.getValues().arrays.map((array) => (array.id === id ? { ...array, ...to } : array));
  form.setFieldValue("arrays", arrays);
}

/** Puts an obstacle elsewhere in the plan; one that an array tells by bearing is told by its new one. */
export function placeObstacle(form: SiteForm, site: SiteDocument, id: string, to: Spot): void {
  const [arrayId, place] = id.split("#");
  if (place === undefined) {
    form.setFieldValue(
      "obstacles",
      form.getValues().obstacles.map((obstacle) => (obstacle.id === id ? { ...obstacle, ...to } : obstacle)),
    );
    return;
  }
  const seen = bearingOf(arrayPlace(site, arrayId!), to);
  const rounded = { azimuthDeg: Number(seen.azimuthDeg.toFixed(1)) % 360, distanceM: Math.max(0.1, Number(seen.distanceM.toFixed(2))) };
  form.setFieldValue(
    "arrays",
    form
      .getValues()
      .arrays.map((array) =>
        array.id === arrayId
          ? { ...array, obstacles: array.obstacles.map((obstacle, k) => (String(k) === place ? { ...obstacle, ...rounded } : obstacle)) }
          : array,
      ),
  );
}
