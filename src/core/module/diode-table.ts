import { diodeAt, operatingPoint, type ReferenceParameters } from "./single-diode";

/** Maximum power of a module over irradiance and cell temperature, relative, for the hot loop. Rows stand at equal steps of the square root of irradiance, since weak light bends the curve most. */
export interface DiodeTable {
  /** P(G, 25 C) / (Pstc G / 1000). */
  readonly lowLight: Float64Array;
  /** P(G, T) / P(G, 25 C), row by row of irradiance. */
  readonly heat: Float64Array;
}

const MOST_ROOT = 40;
const LIGHT_STEPS_PER_ROOT = 8;
const LIGHT_STEPS = MOST_ROOT * LIGHT_STEPS_PER_ROOT;
const COLDEST_C = -50;
const HEAT_STEP_C = 5;
const HEAT_STEPS = 34;

/** Samples the single-diode model by full solutions; between them straight lines (within 0.0003 of the law above 50 W/m2). Light to 1,600 W/m2, cells from -50 to 115 C; beyond, the edge. */
export function diodeTable(reference: ReferenceParameters): DiodeTable {
  const pmpW = (irradianceWm2: number, cellTempC: number): number => operatingPoint(diodeAt(reference, irradianceWm2, cellTempC)).pmpW;
  const perWm2 = pmpW(1000, 25) / 1000;
  const lowLight = new Float64Array(LIGHT_STEPS + 2);
  for (let k = 1; k < lowLight.length; k++) {
    const light = (k / LIGHT_STEPS_PER_ROOT) ** 2;
    lowLight[k] = pmpW(light, 25) / (perWm2 * light);
  }
  const heat = new Float64Array((MOST_ROOT + 2) * HEAT_STEPS);
  for (let g = 0; g < MOST_ROOT + 2; g++) {
    const light = Math.max(g, 0.5) ** 2;
    const at25 = pmpW(light, 25);
    for (let t = 0; t < HEAT_STEPS; t++) heat[g * HEAT_STEPS + t] = pmpW(light, COLDEST_C + t * HEAT_STEP_C) / at25;
  }
  return { lowLight, heat };
}

/** Low-light efficiency of a table. */
export function tableLowLight({ lowLight }: DiodeTable, irradianceWm2: number): number {
  const place = Math.min(Math.sqrt(irradianceWm2) * LIGHT_STEPS_PER_ROOT, LIGHT_STEPS);
  const k = place | 0;
  return lowLight[k]! + (lowLight[k + 1]! - lowLight[k]!) * (place - k);
}

/** Heat factor of a table, bilinear. */
export function tableHeat({ heat }: DiodeTable, irradianceWm2: number, cellTempC: number): number {
  const g = Math.min(Math.sqrt(irradianceWm2), MOST_ROOT);
  const t = Math.min(Math.max((cellTempC - COLDEST_C) / HEAT_STEP_C, 0), HEAT_STEPS - 2);
  const gk = g | 0;
  const tk = t | 0;
  const at = gk * HEAT_STEPS + tk;
  const low = heat[at]! + (heat[at + 1]! - heat[at]!) * (t - tk);
  const high = heat[at + HEAT_STEPS]! + (heat[at + HEAT_STEPS + 1]! - heat[at + HEAT_STEPS]!) * (t - tk);
  return low + (high - low) * (g - gk);
}
