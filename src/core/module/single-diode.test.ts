import { describe, expect, it } from "vitest";
import { expectNear, referenceCases } from "../../../test/reference-vectors";
import {
  currentA,
  diodeAt,
  diodeTable,
  fitDatasheet,
  type OperatingPoint,
  openCircuitV,
  operatingPoint,
  type ReferenceParameters,
  tableHeat,
  tableLowLight,
} from ".";

interface PointIn {
  reference: ReferenceParameters;
  irradianceWm2: number;
  cellTempC: number;
  voltagesV: number[];
}
interface PointOut extends OperatingPoint {
  photocurrentA: number;
  saturationCurrentA: number;
  modifiedIdealityV: number;
  shuntOhm: number | null;
  currentsA: number[];
}
interface SheetIn {
  iscA: number;
  vocV: number;
  impA: number;
  vmpV: number;
  alphaIscPctPerK: number;
  betaVocPctPerK: number;
  cellsInSeries: number;
}
interface SheetOut {
  photocurrentA: number;
  saturationCurrentA: number;
  modifiedIdealityV: number;
  seriesOhm: number;
  shuntOhm: number;
  pmpAt800Wm2And45CW: number;
  vmpAt800Wm2And45CV: number;
}

describe("the single diode", () => {
  it("agrees with the vectors in parameters, curve and operating points", () => {
    for (const { id, input, expected } of referenceCases<PointIn, PointOut>("single-diode", "operating-point")) {
      const diode = diodeAt(input.reference, input.irradianceWm2, input.cellTempC);
      const near = { relative: 1e-6, absolute: 1e-7 };
      expectNear(diode.photocurrentA, expected.photocurrentA, near, `${id} photocurrent`);
      expectNear(diode.saturationCurrentA, expected.saturationCurrentA, { relative: 1e-6 }, `${id} saturation`);
      expectNear(diode.modifiedIdealityV, expected.modifiedIdealityV, { relative: 1e-6 }, `${id} ideality`);
      const point = operatingPoint(diode);
      for (const key of ["iscA", "vocV", "pmpW"] as const) expectNear(point[key], expected[key], near, `${id} ${key}`);
      expectNear(point.vmpV, expected.vmpV, { relative: 1e-5, absolute: 1e-7 }, `${id} vmp`);
      expectNear(point.impA, expected.impA, { relative: 1e-5, absolute: 1e-7 }, `${id} imp`);
      input.voltagesV.forEach((v, k) => {
        expectNear(currentA(diode, v), expected.currentsA[k]!, near, `${id} current at ${v} V`);
      });
    }
  });

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
  for (const { id, input, expected } of referenceCases<SheetIn, SheetOut>("single-diode", "datasheet")) {
    it(`${id}: reproduce the datasheet, and agree with the vectors`, () => {
      const fitted = fitDatasheet(sheetOf(input))!;
      const point = operatingPoint(diodeAt(fitted, 1000, 25));
      for (const key of ["iscA", "vocV"] as const) expectNear(point[key], input[key], { relative: 1e-6 }, key);
      expectNear(point.pmpW, input.impA * input.vmpV, { relative: 1e-6 }, "pmp");
      expectNear(fitted.modifiedIdealityV, expected.modifiedIdealityV, { relative: 0.001 }, "ideality");
      expectNear(fitted.seriesOhm, expected.seriesOhm, { relative: 0.005 }, "series");
      expectNear(fitted.shuntOhm, expected.shuntOhm, { relative: 0.01 }, "shunt");
      expectNear(fitted.saturationCurrentA, expected.saturationCurrentA, { relative: 0.02 }, "saturation");
      const warm = operatingPoint(diodeAt(fitted, 800, 45));
      expectNear(warm.pmpW, expected.pmpAt800Wm2And45CW, { relative: 0.001 }, "power at 800 W/m2 and 45 C");
    });
  }

  it("are told apart from a datasheet that no circuit meets", () => {
    expect(
      fitDatasheet({ iscA: 10, vocV: 40, impA: 9.99, vmpV: 39.9, alphaIscPerK: 0.0005, betaVocPerK: -0.003, cellsInSeries: 60 }),
    ).toBeNull();
  });
});

it("the table of the hot loop stays within 0.0003 of the full solution above 50 W/m2", () => {
  const [first] = referenceCases<SheetIn, SheetOut>("single-diode", "datasheet");
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
