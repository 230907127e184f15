import { describe, expect, it } from "vitest";
import { curveTable, efficiencyAt, fillCurve, usualCurve } from ".";

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
