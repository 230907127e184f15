import type { Site } from "../site";
import { applyWhatIf, type Moment, momentPower } from "../yield";

export type { Moment };

/** Power expected of one array at a moment, W at the meter, for each of some tilts; what its inverter would make of it alone. */
export function momentPowerW(site: Site, arrayId: string, moment: Moment, tiltsDeg: readonly number[]): number[] {
  const alone: Site = { ...site, arrays: site.arrays.filter((array) => array.id === arrayId) };
  return tiltsDeg.map((tiltDeg) => momentPower(applyWhatIf(alone, { arrayId, tiltDeg }), moment).expectedW);
}
