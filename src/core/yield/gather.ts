import type { SunStretch } from "../sun";
import type { FilledWeather } from "../weather";
import { BLOCK, type Block } from "./block";

/** Where gathering stopped, and how many lit steps the block now holds. */
export interface Gathered {
  next: number;
  lit: number;
  /** Dark steps met, which owe nothing. */
  dark: number;
}

/**
 * Copies the lit steps of [from, to) into a block until it is full or the span ends: sun up, or any light. A step whose light or
 * temperature is not known is left out, and its expected energy set missing.
 */
export function gatherLit(
  weather: FilledWeather,
  sun: SunStretch,
  from: number,
  to: number,
  block: Block,
  expectedKwh: Float64Array,
  out: Gathered,
): Gathered {
  const { first } = sun;
  const { ghiWm2, dniWm2, dhiWm2, poaWm2, airTempC, windSpeedMs } = weather;
  let lit = 0;
  let dark = 0;
  let i = from;
  for (; i < to && lit < BLOCK; i++) {
    const up = sun.up[i - first]!;
    const ghi = ghiWm2 ? ghiWm2[i]! : Number.NaN;
    const poa = poaWm2 ? poaWm2[i]! : Number.NaN;
    const dni = dniWm2 ? dniWm2[i]! : Number.NaN;
    const dhi = dhiWm2 ? dhiWm2[i]! : Number.NaN;
    const light = poaWm2 ? poa : Number.isNaN(ghi) ? dni + dhi : ghi;
    // With the sun down, unknown light is none.
    if (!(up > 0) && !(light > 0)) {
      dark++;
      continue;
    }
    const air = airTempC[i]!;
    const wind = windSpeedMs[i]!;
    if (Number.isNaN(light) || (light > 0 && Number.isNaN(air + wind))) {
      expectedKwh[i] = Number.NaN;
      continue;
    }
    block.at[lit] = i;
    block.up[lit] = up;
    block.east[lit] = sun.east[i - first]!;
    block.north[lit] = sun.north[i - first]!;
    block.extraterrestrialWm2[lit] = sun.extraterrestrialWm2[i - first]!;
    block.ghiWm2[lit] = ghi;
    block.dniWm2[lit] = dni;
    block.dhiWm2[lit] = dhi;
    block.sensorWm2[lit] = poa;
    block.airTempC[lit] = air;
    block.windSpeedMs[lit] = wind;
    lit++;
  }
  out.next = i;
  out.lit = lit;
  out.dark = dark;
  return out;
}
