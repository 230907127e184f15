import { describe, expect, it } from "vitest";
import { referenceCases } from "../../../test/reference-vectors";
import { diodeAt, diodeTable, fitDatasheet, openCircuitV, operatingPoint, tableHeat, tableLowLight } from ".";

interface SheetIn {
  iscA: number;
  vocV: number;
  impA: number;
  vmpV: number;
  alphaIscPctPerK: number;
  betaVocPctPerK: number;
  cellsInSeries: number;
}

describe("the single diode", () => {
  it("gives nothing in the dark", () => {
    const dark = diodeAt(
      { photocurrentA: 9, saturationCurrentA: 1e-10, modifiedIdealityV: 1.6, seriesOhm: 0.1, shuntOhm: 500, alphaIscAPerK: 0 },
      0,
      25,
    );
    expect([operatingPoint(dark).pmpW, openCircuitV(dark)]).toEqual([0, 0]);
  });
});

const sheetOf = (input: SheetIn) => ({ ...input, alphaIscPerK: input.alphaIscPctPerK / 100, betaVocPerK: input.betaVocPctPerK / 100 });

describe("five parameters from a datasheet", () => {
  it("are told apart from a datasheet that no circuit meets", () => {
    expect(
      fitDatasheet({ iscA: 10, vocV: 40, impA: 9.99, vmpV: 39.9, alphaIscPerK: 0.0005, betaVocPerK: -0.003, cellsInSeries: 60 }),
    ).toBeNull();
  });
});

it("the table of the hot loop stays within 0.0003 of the full solution above 50 W/m2", () => {
  const [first] = referenceCases<SheetIn, object>("single-diode", "datasheet");
  const fitted = fitDatasheet(sheetOf(first!.input))!;
  const table = diodeTable(fitted);
  const pmpW = (g: number, t: number) => operatingPoint(diodeAt(fitted, g, t)).pmpW;
  for (let g = 55; g < 1300; g += 61) {
    for (let t = -18; t < 78; t += 13) {
      const exact = pmpW(g, t) / ((pmpW(1000, 25) * g) / 1000);
      expect(Math.abs(tableLowLight(table, g) * tableHeat(table, g, t) - exact), `${g} W/m2, ${t} C`).toBeLessThan(3e-4);
    }
  }
});
