import { lowLightFactor } from "./low-light";

/** Entries of a table a unit of the square root of light, in suns, and the most light that it holds. */
export const ROOT_STEPS = 1024;
const MOST_SUNS = 2;
export const LAST_ROOT_PLACE = Math.sqrt(MOST_SUNS) * ROOT_STEPS;
/** Light at which datasheets give what efficiency is lost. Source: IEC 61215-1:2021 and IEC 61853-1:2011, low irradiance. */
export const LOW_LIGHT_WM2 = 200;
/** What the law of the older modules loses there. */
const LAW_LOSS = 1 - lowLightFactor(LOW_LIGHT_WM2);

/**
 * Power over nameplate at 25 C by the light on the cells, in suns, for modules that lose a share of their efficiency at 200 W/m2: the law lowLightFactor times
 * suns, its losses scaled to that share. By the square root of light the product bends evenly, so that straight lines between entries are within 2e-6 of a
 * sun, where the factor alone would need its logarithm at every step.
 */
export function weakLightTable(lossAt200Frac: number): Float64Array {
  const known = tables.get(lossAt200Frac);
  if (known) return known;
  const scale = lossAt200Frac / LAW_LOSS;
  const made = Float64Array.from({ length: Math.ceil(LAST_ROOT_PLACE) + 2 }, (_, k) => {
    const suns = (k / ROOT_STEPS) ** 2;
    return suns * Math.max(0, 1 + scale * (lowLightFactor(1000 * suns) - 1));
  });
  if (tables.size >= CACHED_TABLES) tables.clear();
  tables.set(lossAt200Frac, made);
  return made;
}

const tables = new Map<number, Float64Array>();
const CACHED_TABLES = 60;

/** A table's value at a light, in suns (0 and up; beyond two suns, the edge). */
export function weakLight(table: Float64Array, suns: number): number {
  const place = Math.min(Math.sqrt(suns) * ROOT_STEPS, LAST_ROOT_PLACE);
  const k = place | 0;
  return table[k]! + (table[k + 1]! - table[k]!) * (place - k);
}
