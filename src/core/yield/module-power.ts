import {
  type DiodeTable,
  diodeTable,
  type EfficiencyGrid,
  efficiencyGrid,
  fitDatasheet,
  gridEfficiency,
  LOW_LIGHT_WM2,
  matrixHeat,
  matrixLightTable,
  STC_CELL_C,
  tableHeat,
  tableLowLight,
  weakLightTable,
} from "../module";
import type { ModuleType } from "../site";

/** A matrix ready for the chain. */
export interface MatrixTable {
  readonly grid: EfficiencyGrid;
  /** Power over nameplate at 25 C by the square root of light. */
  readonly light: Float64Array;
}

const matrices = new WeakMap<object, MatrixTable>();

/** The module's measured matrix, ready for the chain; null where there is none. */
export function matrixOf({ powerMatrix, gammaPmpPerK }: ModuleType): MatrixTable | null {
  if (powerMatrix === null) return null;
  const known = matrices.get(powerMatrix);
  if (known) return known;
  const grid = efficiencyGrid(powerMatrix, gammaPmpPerK);
  const made = { grid, light: matrixLightTable(grid) };
  matrices.set(powerMatrix, made);
  return made;
}

/** Power under weak light at 25 C, by the matrix where there is one. */
export const weakTableOf = (module: ModuleType): Float64Array => matrixOf(module)?.light ?? weakLightTable(lowLightLossFrac(module));

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

/** Share of its efficiency that a module loses at 200 W/m2: its matrix's, its datasheet's, else that of its single-diode circuit, else a usual one. */
export function lowLightLossFrac(module: ModuleType): number {
  const matrix = matrixOf(module);
  if (matrix) return 1 - gridEfficiency(matrix.grid, LOW_LIGHT_WM2, STC_CELL_C);
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

/** Notes the light on the cells, W/m2, that a power at nameplate efficiency stands for. */
export function noteCellLight(powerW: Float64Array, ratedW: number, count: number, cellLightWm2: Float64Array): void {
  const toWm2 = 1000 / ratedW;
  for (let i = 0; i < count; i++) cellLightWm2[i] = powerW[i]! * toWm2;
}

/** Heat by the module's matrix; a gain is negative. */
export function fillMatrixHeat(
  powerW: Float64Array,
  cellLightWm2: Float64Array,
  cellTempC: Float64Array,
  grid: EfficiencyGrid,
  count: number,
): number {
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const before = powerW[i]!;
    const after = before * matrixHeat(grid, cellLightWm2[i]!, cellTempC[i]!);
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
