import { arrayNameplateW } from "./nameplate";
import type { LightPlane, PvArray, Site } from "./types";

/** Whether all modules look one way. */
export function isOnePlane({ arrays }: Pick<Site, "arrays">): boolean {
  const [first] = arrays;
  return arrays.every(({ tiltDeg, azimuthDeg }) => tiltDeg === first?.tiltDeg && azimuthDeg === first.azimuthDeg);
}

/** The array with the most power: where nothing says in which of several planes a sensor lies, it is taken to lie there. */
export const largestArray = (site: Site): PvArray =>
  site.arrays.reduce((largest, array) => (arrayNameplateW(site, array) > arrayNameplateW(site, largest) ? array : largest));

/** The plane in which the light sensor lies. */
export function lightPlaneOf(site: Site): LightPlane {
  if (site.lightPlane) return site.lightPlane;
  const { tiltDeg, azimuthDeg } = largestArray(site);
  return { tiltDeg, azimuthDeg };
}
