import { lowLightFactor } from "./low-light";

/** Entries of the table a unit of the square root of light, in suns, and the most light that it holds. */
export const ROOT_STEPS = 1024;
const MOST_SUNS = 2;
export const LAST_ROOT_PLACE = Math.sqrt(MOST_SUNS) * ROOT_STEPS;

/**
 * Power over nameplate at 25 C by the light on the cells, in suns: the law lowLightFactor times suns. By the square root of light the product bends
 * evenly, so that straight lines between entries are within 2e-6 of a sun, where the factor alone would need its logarithm at every step.
 */
export const WEAK_LIGHT = Float64Array.from({ length: Math.ceil(LAST_ROOT_PLACE) + 2 }, (_, k) => {
  const suns = (k / ROOT_STEPS) ** 2;
  return suns * lowLightFactor(1000 * suns);
});

/** The table's value at a light, in suns (0 and up; beyond two suns, the edge). */
export function weakLight(suns: number): number {
  const place = Math.min(Math.sqrt(suns) * ROOT_STEPS, LAST_ROOT_PLACE);
  const k = place | 0;
  return WEAK_LIGHT[k]! + (WEAK_LIGHT[k + 1]! - WEAK_LIGHT[k]!) * (place - k);
}
