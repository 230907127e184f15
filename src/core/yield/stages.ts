import type { PlaneColumns } from "../irradiance";
import {
  type AgeingRate,
  cellOverBack,
  type HeatLoss,
  IAM_STEPS,
  type KingMount,
  LAST_ROOT_PLACE,
  type PlaneReflection,
  ROOT_STEPS,
} from "../module";
import { STC_POA_WM2 } from "../units";
import type { Block } from "./block";

/** Every fill works on the first `count` lit steps of a block, changes the power in place and returns what it took, W summed. A gain is negative. */

/** A stage that keeps the same share of every watt. */
export function fillRetainedShare(powerW: Float64Array, retainedFrac: number, count: number): number {
  if (retainedFrac === 1) return 0;
  let before = 0;
  for (let i = 0; i < count; i++) {
    before += powerW[i]!;
    powerW[i] = powerW[i]! * retainedFrac;
  }
  return before * (1 - retainedFrac);
}

/** Power at nameplate efficiency of the light in the plane; returns the sum, which the sun owed. */
export function fillReference(plane: PlaneColumns, nameplateW: number, count: number, poaWm2: Float64Array, powerW: Float64Array): number {
  const perWm2 = nameplateW / STC_POA_WM2;
  let sum = 0;
  for (let i = 0; i < count; i++) {
    const light = plane.directionalWm2[i]! + plane.skyWm2[i]! + plane.groundWm2[i]!;
    const poa = Math.max(light, 0);
    poaWm2[i] = poa;
    powerW[i] = perWm2 * poa;
    sum += poa;
  }
  return sum * perWm2;
}

/** Light lost on the glass: the directional part at its angle, sky and ground by their mean modifiers. */
export function fillReflection(
  powerW: Float64Array,
  plane: PlaneColumns,
  { table, skyFrac, groundFrac }: PlaneReflection,
  count: number,
): number {
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    if (!(before > 0)) continue;
    const directional = plane.directionalWm2[i]!;
    const sky = plane.skyWm2[i]!;
    const ground = plane.groundWm2[i]!;
    const cosine = plane.cosIncidence[i]!;
    // The law iamAt, written into the loop.
    const place = (cosine > 0 ? Math.min(cosine, 1) : 0) * IAM_STEPS;
    const k = place | 0;
    const left = table[k]!;
    const modifier = left + (table[k + 1]! - left) * (place - k);
    const after = (before * (directional * modifier + sky * skyFrac + ground * groundFrac)) / (directional + sky + ground);
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}

/** Efficiency under weak light, at 25 C: the law weakLight of a table, written into the loop. `nameplateW` turns power into light on the cells. */
export function fillLowLight(powerW: Float64Array, nameplateW: number, table: Float64Array, count: number): number {
  const perWatt = 1 / nameplateW;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    const place = Math.min(Math.sqrt(before * perWatt) * ROOT_STEPS, LAST_ROOT_PLACE);
    const k = place | 0;
    const after = nameplateW * (table[k]! + (table[k + 1]! - table[k]!) * (place - k));
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}

/** What the cell temperature depends on: light in the plane, air, wind. */
export interface CellWeather {
  readonly poaWm2: Float64Array;
  readonly airTempC: Float64Array;
  readonly windSpeedMs: Float64Array;
}

/** Cell temperatures, C, by Faiman. */
export function fillFaiman(weather: CellWeather, { u0, u1 }: HeatLoss, count: number, cellTempC: Float64Array): Float64Array {
  for (let i = 0; i < count; i++) cellTempC[i] = weather.airTempC[i]! + weather.poaWm2[i]! / (u0 + u1 * weather.windSpeedMs[i]!);
  return cellTempC;
}

/** Cell temperatures, C, by Ross. */
export function fillRoss(weather: CellWeather, noctC: number, count: number, cellTempC: Float64Array): Float64Array {
  const perWm2 = (noctC - 20) / 800;
  for (let i = 0; i < count; i++) cellTempC[i] = weather.airTempC[i]! + perWm2 * weather.poaWm2[i]!;
  return cellTempC;
}

/** Cell temperatures, C, by King. */
export function fillKing(weather: CellWeather, { a, b, deltaTK }: KingMount, count: number, cellTempC: Float64Array): Float64Array {
  for (let i = 0; i < count; i++) {
    const poa = weather.poaWm2[i]!;
    cellTempC[i] = weather.airTempC[i]! + poa * (Math.exp(a + b * weather.windSpeedMs[i]!) + deltaTK / 1000);
  }
  return cellTempC;
}

/** Cell temperatures, C, where the back of a module was measured: warmer than it by what the light drives through. Source: King, Boyson & Kratochvil, 2004, eq. 12. */
export function fillFromBack(
  { at, poaWm2, cellTempC }: Pick<Block, "at" | "poaWm2" | "cellTempC">,
  backTempC: Float64Array,
  mount: KingMount,
  count: number,
): void {
  for (let i = 0; i < count; i++) {
    const back = backTempC[at[i]!]!;
    if (!Number.isNaN(back)) cellTempC[i] = cellOverBack(back, poaWm2[i]!, mount);
  }
}

/** Heat (or cold: a negative loss) by the temperature coefficient. */
export function fillTemperature(powerW: Float64Array, cellTempC: Float64Array, gammaPmpPerK: number, count: number): number {
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    const retainedFrac = 1 + gammaPmpPerK * (cellTempC[i]! - 25);
    const after = retainedFrac > 0 ? before * retainedFrac : 0;
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}

/** Budgeted ageing: `ageYears` of the first axis step and its growth a step; the law ageingFactor, written into the loop. */
export function fillAgeing(
  powerW: Float64Array,
  at: Int32Array,
  age: { readonly startYears: number; readonly yearsPerStep: number },
  rate: AgeingRate,
  count: number,
): number {
  const { startYears, yearsPerStep } = age;
  const { firstYearFrac, perYearFrac } = rate;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const years = startYears + at[i]! * yearsPerStep;
    const gone = years <= 0 ? 0 : years < 1 ? years * firstYearFrac : firstYearFrac + (years - 1) * perYearFrac;
    const took = powerW[i]! * Math.min(gone, 1);
    powerW[i] = powerW[i]! - took;
    lost += took;
  }
  return lost;
}

/** Power above a limit is not made. */
export function fillClipping(powerW: Float64Array, limitW: number, count: number): number {
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const over = powerW[i]! - limitW;
    if (!(over > 0)) continue;
    powerW[i] = limitW;
    lost += over;
  }
  return lost;
}

/** A share by axis step, such as dirt or snow; `lossOf` holds the share lost on the whole axis. */
export function fillVaryingShare(powerW: Float64Array, at: Int32Array, lossOf: Float64Array, count: number): number {
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const took = powerW[i]! * lossOf[at[i]!]!;
    powerW[i] = powerW[i]! - took;
    lost += took;
  }
  return lost;
}
