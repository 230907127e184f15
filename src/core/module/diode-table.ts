import { diodeAt, operatingPoint, type ReferenceParameters } from "./single-diode";

/** Maximum power of a module over irradiance and cell temperature, relative, for the hot loop. */
export interface DiodeTable {
  /** P(G, 25 C) / (Pstc G / 1000) at multiples of LIGHT_STEP. */
  readonly lowLight: Float64Array;
  /** P(G, T) / P(G, 25 C), row by row of irradiance. */
  readonly heat: Float64Array;
}

export const LIGHT_STEP_WM2 = 10;
const LIGHT_STEPS = 160;
export const HEAT_LIGHT_STEP_WM2 = 100;
const HEAT_LIGHT_STEPS = 16;
export const HEAT_STEP_C = 5;
export const COLDEST_C = -50;
export const HEAT_STEPS = 34;

/** Samples the single-diode model: full I-V solutions, between them straight lines (within 0.0002 of the law above 50 W/m2). */
export function diodeTable(reference: ReferenceParameters): DiodeTable {
  const pmpW = (irradianceWm2: number, cellTempC: number): number => operatingPoint(diodeAt(reference, irradianceWm2, cellTempC)).pmpW;
  const ratedW = pmpW(1000, 25);
  const lowLight = new Float64Array(LIGHT_STEPS + 2);
  for (let k = 1; k < lowLight.length; k++) lowLight[k] = pmpW(k * LIGHT_STEP_WM2, 25) / ((ratedW * k * LIGHT_STEP_WM2) / 1000);
  const heat = new Float64Array((HEAT_LIGHT_STEPS + 2) * HEAT_STEPS);
  for (let g = 0; g < HEAT_LIGHT_STEPS + 2; g++) {
    const light = Math.max(g, 0.2) * HEAT_LIGHT_STEP_WM2;
    const at25 = pmpW(light, 25);
    for (let t = 0; t < HEAT_STEPS; t++) heat[g * HEAT_STEPS + t] = pmpW(light, COLDEST_C + t * HEAT_STEP_C) / at25;
  }
  return { lowLight, heat };
}

/** Low-light efficiency of a table; light beyond it takes its last value. */
export function tableLowLight({ lowLight }: DiodeTable, irradianceWm2: number): number {
  const place = Math.min(irradianceWm2 / LIGHT_STEP_WM2, LIGHT_STEPS);
  const k = place | 0;
  return lowLight[k]! + (lowLight[k + 1]! - lowLight[k]!) * (place - k);
}

/** Heat factor of a table, bilinear. */
export function tableHeat({ heat }: DiodeTable, irradianceWm2: number, cellTempC: number): number {
  const g = Math.min(irradianceWm2 / HEAT_LIGHT_STEP_WM2, HEAT_LIGHT_STEPS);
  const t = Math.min(Math.max((cellTempC - COLDEST_C) / HEAT_STEP_C, 0), HEAT_STEPS - 2);
  const gk = g | 0;
  const tk = t | 0;
  const at = gk * HEAT_STEPS + tk;
  const low = heat[at]! + (heat[at + 1]! - heat[at]!) * (t - tk);
  const high = heat[at + HEAT_STEPS]! + (heat[at + HEAT_STEPS + 1]! - heat[at + HEAT_STEPS]!) * (t - tk);
  return low + (high - low) * (g - gk);
}
