import { STC_CELL_C } from "./power";
import { LAST_ROOT_PLACE, ROOT_STEPS } from "./weak-light-table";

/** Power of a module as measured over light and cell temperature: a row a light, a column a temperature, both rising; null where it was not measured. */
export interface PowerMatrix {
  readonly irradianceWm2: readonly number[];
  readonly cellTempC: readonly number[];
  readonly powerW: readonly (readonly (number | null)[])[];
}

/** Efficiency over that at 1000 W/m2 and 25 C, by light and temperature, without a gap. */
export interface EfficiencyGrid {
  readonly irradianceWm2: readonly number[];
  readonly cellTempC: readonly number[];
  readonly rows: readonly (readonly number[])[];
}

const STC_WM2 = 1000;

/**
 * Relative efficiencies of a matrix. A power that was not measured follows from that at 25 C by the coefficient of power. Throws a RangeError where the matrix
 * lacks 1000 W/m2 at 25 C. Source: IEC 61853-1:2011, irradiance and temperature performance measurements.
 */
export function efficiencyGrid({ irradianceWm2, cellTempC, powerW }: PowerMatrix, gammaPmpPerK: number): EfficiencyGrid {
  const at25 = cellTempC.indexOf(STC_CELL_C);
  const rated = powerW[irradianceWm2.indexOf(STC_WM2)]?.[at25];
  if (!rated) throw new RangeError("A matrix of power has its value at 1000 W/m2 and 25 C");
  const rows = irradianceWm2.map((light, g) => {
    const own = powerW[g]!;
    return cellTempC.map(
      (warmth, t) => ((own[t] ?? own[at25]! * Math.max(0, 1 + gammaPmpPerK * (warmth - STC_CELL_C))) / rated) * (STC_WM2 / light),
    );
  });
  return { irradianceWm2, cellTempC, rows };
}

/** Efficiency at a light, W/m2, and a cell temperature, C: straight between four measured ones, and onwards beyond the last. Source: IEC 61853-3:2018, energy rating. */
export function gridEfficiency({ irradianceWm2, cellTempC, rows }: EfficiencyGrid, lightWm2: number, tempC: number): number {
  const g = placeOf(irradianceWm2, lightWm2);
  const [low, high] = [along(cellTempC, rows[g]!, tempC), along(cellTempC, rows[g + 1] ?? rows[g]!, tempC)];
  const width = (irradianceWm2[g + 1] ?? irradianceWm2[g]! + 1) - irradianceWm2[g]!;
  return Math.max(0, low + ((high - low) * (lightWm2 - irradianceWm2[g]!)) / width);
}

/** Left end of the stretch in which a value lies, or of the one nearest to it. */
function placeOf(ends: readonly number[], value: number): number {
  let k = 0;
  while (k < ends.length - 2 && value >= ends[k + 1]!) k++;
  return k;
}

function along(ends: readonly number[], values: readonly number[], at: number): number {
  if (ends.length === 1) return values[0]!;
  const k = placeOf(ends, at);
  return values[k]! + ((values[k + 1]! - values[k]!) * (at - ends[k]!)) / (ends[k + 1]! - ends[k]!);
}

/** Power over nameplate at 25 C by the square root of light in suns: a table as weakLightTable makes them, of what was measured. */
export const matrixLightTable = (grid: EfficiencyGrid): Float64Array =>
  Float64Array.from({ length: Math.ceil(LAST_ROOT_PLACE) + 2 }, (_, k) => {
    const suns = (k / ROOT_STEPS) ** 2;
    return suns * gridEfficiency(grid, STC_WM2 * suns, STC_CELL_C);
  });

/** Power at a cell temperature over that at 25 C under the same light. */
export function matrixHeat(grid: EfficiencyGrid, lightWm2: number, tempC: number): number {
  const at25 = gridEfficiency(grid, lightWm2, STC_CELL_C);
  return at25 > 0 ? gridEfficiency(grid, lightWm2, tempC) / at25 : 0;
}
