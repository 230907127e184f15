import { describe, expect, it } from "vitest";
import { moduleDoubts } from ".";

const usual = {
  pmpW: 400,
  vocV: 49,
  iscA: 10.2,
  cellsInSeries: 72,
  gammaPmpPerK: -0.0035,
  betaVocPerK: -0.0027,
  alphaIscPerK: 0.0005,
  noctC: 45,
  areaM2: 1.95,
};
const said = (parts: { [K in keyof typeof usual]?: number | null }) =>
  moduleDoubts({ ...usual, ...parts } as Parameters<typeof moduleDoubts>[0]).map(({ quantity }) => quantity);

describe("datasheet values worth a second look", () => {
  it("a usual module raises none, nor does what is not given", () => {
    expect(said({})).toEqual([]);
    expect(said({ vocV: null, iscA: null, cellsInSeries: null, areaM2: null })).toEqual([]);
    expect(said({ vocV: null })).toEqual([]);
  });

  it.each([
    ["gammaPmp", "gammaPmpPerK", -0.0055, -0.0018],
    ["betaVoc", "betaVocPerK", -0.0045, -0.0015],
    ["alphaIsc", "alphaIscPerK", 0, 0.0015],
    ["noct", "noctC", 38, 52],
  ] as const)("%s between its usual ends", (quantity, field, low, high) => {
    const step = Math.abs(high) * 1e-6;
    expect([low - step, low, high, high + step].map((value) => said({ [field]: value }))).toEqual([[quantity], [], [], [quantity]]);
  });

  it("fill factor is power over open voltage times short current", () => {
    const at = (fill: number) => said({ pmpW: fill * 49 * 10.2, areaM2: null });
    expect([0.599, 0.601, 0.869, 0.871].map(at)).toEqual([["fillFactor"], [], [], ["fillFactor"]]);
  });

  it("efficiency is power over a square metre's kilowatt", () => {
    const at = (share: number) => said({ areaM2: 0.4 / share });
    expect([0.049, 0.051, 0.249, 0.251].map(at)).toEqual([["efficiency"], [], [], ["efficiency"]]);
    expect(moduleDoubts({ ...usual, areaM2: 1 })).toEqual([{ quantity: "efficiency", value: 0.4, low: 0.05, high: 0.25 }]);
  });

  it("voltage of a cell is that of the module over its cells", () => {
    const at = (voltage: number) => said({ vocV: voltage * 72, iscA: null });
    expect([0.499, 0.501, 0.779, 0.781].map(at)).toEqual([["vocPerCell"], [], [], ["vocPerCell"]]);
    expect(said({ cellsInSeries: null, vocV: 49 })).toEqual([]);
  });
});
