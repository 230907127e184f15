import type { Site } from "../site";
import { applyWhatIf, type Moment, momentPower } from "../yield";

export type { Moment };

/** How a module stands, or is tried. */
export interface TriedPlane {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
}

/** Power expected of one array at a moment, W at the meter, for each of some planes; what its inverter would make of it alone. */
export function momentPowerW(site: Site, arrayId: string, moment: Moment, planes: readonly TriedPlane[]): number[] {
  const alone: Site = { ...site, arrays: site.arrays.filter((array) => array.id === arrayId) };
  return planes.map(({ tiltDeg, azimuthDeg }) => momentPower(applyWhatIf(alone, { arrayId, tiltDeg, azimuthDeg }), moment).expectedW);
}
