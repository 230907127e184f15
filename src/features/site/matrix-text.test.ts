import { describe, expect, it } from "vitest";
import { matrixOfText, matrixText } from "./matrix-text";

const MATRIX = {
  irradianceWm2: [200, 1000],
  cellTempC: [25, 50],
  powerW: [
    [80.5, null],
    [410, 372],
  ],
};

describe("a matrix of power as text", () => {
  it("is read as it is written", () => {
    expect(matrixOfText(matrixText(MATRIX))).toEqual({ matrix: MATRIX });
    expect(matrixOfText("")).toEqual({ matrix: null });
    expect(matrixText(null)).toBe("");
  });

  it("is read from a report: units, commas, the brightest first, no corner", () => {
    expect(matrixOfText("50 °C;25 °C\n1000 W/m²;372,0;410,0\n200 W/m²;n/a;80,5")).toEqual({ matrix: MATRIX });
  });

  it("is refused by its line", () => {
    expect(JSON.stringify(matrixOfText("W/m² 25 50\n1000 410 hot"))).toContain('{"refusal":"Line 2');
    expect(JSON.stringify(matrixOfText("power\n1000 410"))).toContain('{"refusal":"The first line');
  });
});
