import { describe, expect, it } from "vitest";
import { expectNear, referenceCases } from "../../../test/reference-vectors";
import {
  clipW,
  constantEfficiencyW,
  curveTable,
  efficiencyAt,
  fillCurve,
  type KingInverter,
  kingInverterW,
  usualCurve,
  weightedEfficiency,
} from ".";

interface CurveIn {
  pdcW: number;
  pdcRatedW: number;
  loadFractions: number[];
  efficiencies: number[];
  pacMaxW: number;
}
const pointsOf = (input: { loadFractions: number[]; efficiencies: number[] }) =>
  input.loadFractions.map((loadFrac, k) => ({ loadFrac, efficiencyFrac: input.efficiencies[k]! }));
const near = { absolute: 1e-6, relative: 1e-9 };

describe("the inverter", () => {
  it("agrees with the vectors at a constant efficiency", () => {
    interface In {
      pdcW: number;
      efficiency: number;
      pacMaxW: number;
    }
    for (const { id, input, expected } of referenceCases<In, { pacW: number }>("inverter", "constant")) {
      expectNear(clipW(constantEfficiencyW(input.pdcW, input.efficiency), input.pacMaxW), expected.pacW, near, id);
    }
  });

  it("agrees with the vectors on a part-load curve", () => {
    for (const { id, input, expected } of referenceCases<CurveIn, { efficiency: number; pacW: number }>("inverter", "curve")) {
      const efficiency = efficiencyAt(pointsOf(input), input.pdcW / input.pdcRatedW);
      expectNear(efficiency, expected.efficiency, near, `${id} efficiency`);
      expectNear(Math.min(input.pdcW * efficiency, input.pacMaxW), expected.pacW, near, `${id} power`);
    }
  });

  it("agrees with the vectors by King", () => {
    type In = KingInverter & { pdcW: number; vdcV: number };
    for (const { id, input, expected } of referenceCases<In, { pacW: number }>("inverter", "king")) {
      expectNear(Math.min(kingInverterW(input.pdcW, input.vdcV, input), input.pac0W), expected.pacW, near, id);
    }
  });

  it("agrees with the vectors in its weighted efficiencies", () => {
    interface Out {
      europeanEfficiency: number;
      californiaEfficiency: number;
    }
    for (const { id, input, expected } of referenceCases<CurveIn, Out>("inverter", "weighted")) {
      expectNear(weightedEfficiency(pointsOf(input), "european"), expected.europeanEfficiency, near, id);
      expectNear(weightedEfficiency(pointsOf(input), "californian"), expected.californiaEfficiency, near, id);
    }
  });
});

describe("the usual curve", () => {
  it("passes through the rated efficiency at full load, and sags at little", () => {
    const curve = usualCurve(0.972);
    expect(efficiencyAt(curve, 1)).toBeCloseTo(0.972, 12);
    expect(efficiencyAt(curve, 0.05)).toBeLessThan(0.92);
  });

  it("is filled as the law says", () => {
    const points = usualCurve(0.96);
    const loads = Float64Array.from({ length: 40 }, (_, k) => k * 333);
    const power = loads.slice();
    const lost = fillCurve(power, 10_000, curveTable(points), power.length);
    loads.forEach((pdcW, k) => {
      expect(power[k]!).toBeCloseTo(pdcW * efficiencyAt(points, pdcW / 10_000), -0.5);
    });
    expect(lost).toBeCloseTo(loads.reduce((a, b) => a + b, 0) - power.reduce((a, b) => a + b, 0), 6);
  });
});
