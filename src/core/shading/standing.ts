import { type Plane, planeOf } from "../irradiance";
import { type Site, siteOn } from "../site";
import { type ShadeScene, shadeScene } from "./scene";

export interface Standing {
  readonly plane: Plane;
  readonly scene: ShadeScene | null;
}

/** How the array stands in the middle of each month: a seasonal rack turns in the year. */
export function racksByMonth(site: Site, arrayId: string, year: number): Standing[] {
  const known = new Map<number, Standing>();
  return Array.from({ length: 12 }, (_, m) => {
    const stood = siteOn(site, `${year}-${String(m + 1).padStart(2, "0")}-15`);
    const array = stood.arrays.find((candidate) => candidate.id === arrayId)!;
    const cached = known.get(array.tiltDeg) ?? { plane: planeOf(array.tiltDeg, array.azimuthDeg), scene: shadeScene(stood, array) };
    known.set(array.tiltDeg, cached);
    return cached;
  });
}
