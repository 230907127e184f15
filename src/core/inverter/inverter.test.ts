import { describe, expect, it } from "vitest";
import { clipW, constantEfficiencyW, curveTable, efficiencyAt, fillCurve, kingInverterW, usualCurve, weightedEfficiency } from ".";

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
      expect(power[k]!).toBeCloseTo(pdcW * efficiencyAt(points, pdcW / 10_000), 6);
    });
    expect(lost).toBeCloseTo(loads.reduce((a, b) => a + b, 0) - power.reduce((a, b) => a + b, 0), 6);
  });
});

describe("efficiency", () => {
  const points = [
    { loadFrac: 0.1, efficiencyFrac: 0.9 },
    { loadFrac: 0.5, efficiencyFrac: 0.98 },
    { loadFrac: 1, efficiencyFrac: 0.96 },
  ];

  it("runs straight between measured points and holds outside them", () => {
    expect(efficiencyAt(points, 0.05)).toBe(0.9);
    expect(efficiencyAt(points, 0.1)).toBe(0.9);
    expect(efficiencyAt(points, 0.2)).toBeCloseTo(0.92, 12);
    expect(efficiencyAt(points, 0.5)).toBeCloseTo(0.98, 12);
    expect(efficiencyAt(points, 0.75)).toBeCloseTo(0.97, 12);
    expect(efficiencyAt(points, 1.5)).toBe(0.96);
  });

  it("by climate weighs the loads that are usual there", () => {
    // One at each weight's load: the weights of a climate make one.
    const flat = [{ loadFrac: 0.5, efficiencyFrac: 0.95 }];
    expect(weightedEfficiency(flat, "european")).toBeCloseTo(0.95, 12);
    expect(weightedEfficiency(flat, "californian")).toBeCloseTo(0.95, 12);
    const rising = [
      { loadFrac: 0, efficiencyFrac: 0 },
      { loadFrac: 1, efficiencyFrac: 1 },
    ];
    expect(weightedEfficiency(rising, "european")).toBeCloseTo(0.05 * 0.03 + 0.1 * 0.06 + 0.2 * 0.13 + 0.3 * 0.1 + 0.5 * 0.48 + 0.2, 12);
    expect(weightedEfficiency(rising, "californian")).toBeCloseTo(
      0.1 * 0.04 + 0.2 * 0.05 + 0.3 * 0.12 + 0.5 * 0.21 + 0.75 * 0.53 + 0.05,
      12,
    );
  });

  it("a constant one takes its share of what comes, and nothing of nothing", () => {
    expect(constantEfficiencyW(1000, 0.96)).toBe(960);
    expect(constantEfficiencyW(0, 0.96)).toBe(0);
    expect(constantEfficiencyW(-5, 0.96)).toBe(0);
    expect(clipW(1200, 1000)).toBe(1000);
    expect(clipW(800, 1000)).toBe(800);
  });

  it("the usual curve takes standby, a proportional and a quadratic loss", () => {
    const curve = usualCurve(0.96);
    const proportional = 1 / 0.96 - 1 - 0.004 - 0.01;
    for (const { loadFrac, efficiencyFrac } of curve)
      expect(efficiencyFrac).toBeCloseTo(loadFrac / (loadFrac + 0.004 + proportional * loadFrac + 0.01 * loadFrac ** 2), 12);
    expect(curve.map(({ loadFrac }) => loadFrac)).toEqual([0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4, 0.5, 0.65, 0.8, 1, 1.2]);
  });
});

describe("a table of a curve", () => {
  const table = curveTable([
    { loadFrac: 0, efficiencyFrac: 0.5 },
    { loadFrac: 2, efficiencyFrac: 0.9 },
  ]);

  it("is exact on a straight line, and holds beyond twice the rating", () => {
    const power = Float64Array.of(1000, 1234.5, 2000, 5000, 0, -3, 777);
    const lost = fillCurve(power, 1000, table, 6);
    expect(power[0]).toBeCloseTo(1000 * 0.7, 9);
    expect(power[1]).toBeCloseTo(1234.5 * (0.5 + 0.2 * 1.2345), 9);
    expect(power[2]).toBeCloseTo(2000 * 0.9, 9);
    expect(power[3]).toBeCloseTo(5000 * 0.9, 9);
    expect([...power.subarray(4)]).toEqual([0, -3, 777]);
    expect(lost).toBeCloseTo(1000 + 1234.5 + 2000 + 5000 - power[0]! - power[1]! - power[2]! - power[3]!, 9);
  });
});

describe("a measured inverter (King)", () => {
  const king = { pac0W: 5000, pdc0W: 5200, vdc0V: 400, ps0W: 30, c0: -2e-6, c1: 1e-5, c2: 2e-3, c3: -1e-3, nightW: 0.4 };

  it("gives its rating at its reference, draws at night, and follows equation 1", () => {
    expect(kingInverterW(5200, 400, king)).toBeCloseTo(5000, 9);
    expect(kingInverterW(29.9, 400, king)).toBe(-0.4);
    expect(kingInverterW(30, 400, king)).toBeCloseTo(0, 12);
    const a = 5200 * (1 + 1e-5 * -50);
    const b = 30 * (1 + 2e-3 * -50);
    const c = -2e-6 * (1 - 1e-3 * -50);
    expect(kingInverterW(2600, 350, king)).toBeCloseTo((5000 / (a - b) - c * (a - b)) * (2600 - b) + c * (2600 - b) ** 2, 9);
  });
});
