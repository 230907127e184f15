import { type DiodeTable, diodeTable, fitDatasheet, LOW_LIGHT_WM2, tableHeat, tableLowLight } from "../module";
import type { ModuleType } from "../site";

const tables = new Map<string, DiodeTable | null>();
const CACHED_TABLES = 60;

/** The module's single-diode table, remembered by its datasheet; null where the datasheet is incomplete or no circuit fits it. */
export function diodeTableOf(module: ModuleType): DiodeTable | null {
  const { vocV, iscA, vmpV, impA, cellsInSeries, betaVocPerK, alphaIscPerK } = module;
  if (vocV === null || iscA === null || vmpV === null || impA === null || cellsInSeries === null) return null;
  const key = [vocV, iscA, vmpV, impA, cellsInSeries, betaVocPerK, alphaIscPerK].join();
  const cached = tables.get(key);
  if (cached !== undefined) return cached;
  const reference = fitDatasheet({ vocV, iscA, vmpV, impA, cellsInSeries, betaVocPerK, alphaIscPerK });
  const made = reference && diodeTable(reference);
  if (tables.size >= CACHED_TABLES) tables.clear();
  tables.set(key, made);
  return made;
}

/** Efficiency that crystalline modules of today lose at 200 W/m2 where neither datasheet nor circuit tells: 2 to 4 %. Source: IEC 61215-1:2021 type tests as published by makers; Huld et al., 2011, for the form. */
export const USUAL_LOW_LIGHT_LOSS = 0.03;
/** A circuit that was fitted to five figures may say what no module does: it is believed from what the best lose to what the oldest do. */
const LEAST_LOSS = 0.01;
const MOST_LOSS = 0.1;

/** Share of its efficiency that a module loses at 200 W/m2: its datasheet's, else that of its single-diode circuit, else a usual one. */
export function lowLightLossFrac(module: ModuleType): number {
  if (module.lowLightLossFrac !== null) return module.lowLightLossFrac;
  const table = diodeTableOf(module);
  const loss = table ? 1 - tableLowLight(table, LOW_LIGHT_WM2) : Number.NaN;
  return loss > LEAST_LOSS && loss < MOST_LOSS ? loss : USUAL_LOW_LIGHT_LOSS;
}

/** Efficiency under weak light by the single diode; notes the light on the cells, W/m2, for the heat stage. Returns what it took, W summed. */
export function fillDiodeLowLight(
  powerW: Float64Array,
  ratedW: number,
  table: DiodeTable,
  count: number,
  cellLightWm2: Float64Array,
): number {
  const toWm2 = 1000 / ratedW;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    const light = before * toWm2;
    const after = before * tableLowLight(table, light);
    cellLightWm2[i] = light;
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}

/** Heat by the single diode; a gain is negative. */
export function fillDiodeHeat(
  powerW: Float64Array,
  cellLightWm2: Float64Array,
  cellTempC: Float64Array,
  table: DiodeTable,
  count: number,
): number {
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    const after = before * tableHeat(table, cellLightWm2[i]!, cellTempC[i]!);
    powerW[i] = after;
    lost += before - after;
  }
  return lost;
}
