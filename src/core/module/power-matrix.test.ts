import { describe, expect, it } from "vitest";
import { efficiencyGrid, gridEfficiency, matrixHeat, matrixLightTable, weakLight } from ".";

const MATRIX = {
  irradianceWm2: [200, 600, 1000],
  cellTempC: [15, 25, 50],
  powerW: [
    [80, 78, null],
    [null, 242, 220],
    [415, 400, 362],
  ],
};
const grid = efficiencyGrid(MATRIX, -0.004);

describe("a matrix of power over light and heat", () => {
  it("is met where it was measured, as efficiency over that at standard conditions", () => {
    expect(gridEfficiency(grid, 1000, 25)).toBe(1);
    expect(gridEfficiency(grid, 200, 25)).toBeCloseTo(78 / 80, 12);
    expect(gridEfficiency(grid, 600, 50)).toBeCloseTo(220 / 240, 12);
  });

  it("is straight between, and goes on beyond its ends, never under nothing", () => {
    expect(gridEfficiency(grid, 800, 25)).toBeCloseTo((242 / 240 + 1) / 2, 12);
    expect(gridEfficiency(grid, 1000, 75)).toBeCloseTo((362 - 38) / 400, 12);
    expect(gridEfficiency(grid, 1000, 400)).toBe(0);
  });

  it("takes what was not measured from 25 °C by the coefficient", () => {
    expect(gridEfficiency(grid, 200, 50)).toBeCloseTo((78 / 80) * (1 - 0.004 * 25), 12);
    expect(gridEfficiency(grid, 600, 15)).toBeCloseTo((242 / 240) * (1 + 0.004 * 10), 12);
  });

  it("parts into light at 25 °C and heat: the two together are the matrix", () => {
    const table = matrixLightTable(grid);
    expect(weakLight(table, 0.6) * 400).toBeCloseTo(242, 1);
    expect(weakLight(table, 0.6) * matrixHeat(grid, 600, 50) * 400).toBeCloseTo(220, 1);
  });

  it("without its middle is refused", () => {
    expect(() => efficiencyGrid({ ...MATRIX, cellTempC: [15, 26, 50] }, -0.004)).toThrow(/1000/);
  });
});
