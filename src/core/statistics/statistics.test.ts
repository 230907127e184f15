import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { blockBootstrap, medianAmong, medianOf, quantileOf, robustRidge, seededUniform, senSlope } from ".";

const free = (values: Float64Array) => ({ values, prior: 0, priorDeviation: Number.POSITIVE_INFINITY });
const ones = (count: number): Float64Array => new Float64Array(count).fill(1);

describe("seeded numbers", () => {
  it("are the same for a seed, lie in [0, 1), and differ between seeds", () => {
    const [a, b, c] = [seededUniform(7), seededUniform(7), seededUniform(8)];
    const drawn = Array.from({ length: 1000 }, () => a());
    expect(drawn.slice(0, 20)).toEqual(Array.from({ length: 20 }, () => b()));
    expect(drawn.slice(0, 20)).not.toEqual(Array.from({ length: 20 }, () => c()));
    expect(Math.min(...drawn)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...drawn)).toBeLessThan(1);
    expect(Math.abs(drawn.reduce((x, y) => x + y, 0) / 1000 - 0.5)).toBeLessThan(0.03);
  });
});

describe("a slope by pairs", () => {
  const x = Array.from({ length: 60 }, (_, i) => i / 10);

  it("is that of most points, though a quarter of them are far off", () => {
    const y = x.map((value, i) => (i % 4 === 1 ? 40 : 1 + 0.3 * value));
    expect(senSlope(x, y, { leastApart: 0.5 }).slope).toBeCloseTo(0.3, 6);
  });

  it("pairs near places alone where asked, and so does not see what drifts slowly", () => {
    const cloud = x.map((_, i) => (i % 3 === 0 ? 0.8 : 0.1));
    const y = cloud.map((share, i) => 0.2 * share + i);
    expect(
      senSlope(
        cloud,
        y.map((value, i) => value - i),
        { leastApart: 0.3, reach: 2 },
      ).slope,
    ).toBeCloseTo(0.2, 9);
    expect(senSlope(cloud, y, { leastApart: 0.3, reach: 1 }).pairs).toBe(39);
  });

  it("is none of points that lie too near, or are missing", () => {
    expect(senSlope([1, 1.1, 1.2], [1, 2, 3], { leastApart: 0.5 })).toEqual({ slope: Number.NaN, pairs: 0 });
    expect(senSlope([0, 1, 2], [0, Number.NaN, 4], { leastApart: 0.5 })).toEqual({ slope: 2, pairs: 1 });
  });
});

describe("robust ridge", () => {
  const t = Float64Array.from({ length: 200 }, (_, i) => i / 100);
  const noise = seededUniform(3);
  const y = t.map((value) => 2 - 0.7 * value + 0.02 * (noise() - 0.5));

  it("finds level and slope though a tenth of the rows are far off", () => {
    const spoilt = y.map((value, i) => (i % 10 === 3 ? value - 5 : value));
    const { coefficients, scale } = robustRidge([free(ones(200)), free(t)], spoilt, ones(200));
    expect(coefficients[0]).toBeCloseTo(2, 2);
    expect(coefficients[1]).toBeCloseTo(-0.7, 2);
    expect(scale).toBeLessThan(0.02);
  });

  it("leaves missing rows and rows without weight out", () => {
    const holed = y.map((value, i) => (i < 50 ? Number.NaN : value));
    const weights = ones(200).fill(0, 150);
    const { rows, residuals } = robustRidge([free(ones(200)), free(t)], holed, weights);
    expect(rows).toBe(100);
    expect(residuals[10]).toBeNaN();
    expect(Math.abs(residuals[100]!)).toBeLessThan(0.03);
  });

  it("is drawn to what is known where rows tell nothing", () => {
    const known = { values: new Float64Array(200), prior: 0.4, priorDeviation: 0.1 };
    expect(robustRidge([free(ones(200)), known], y, ones(200)).coefficients[1]).toBeCloseTo(0.4, 9);
  });

  it("holds a coefficient that may not be negative at zero", () => {
    const { coefficients } = robustRidge([free(ones(200)), { ...free(t), leastZero: true }], y, ones(200));
    expect(coefficients[1]).toBe(0);
  });

  it("comes to the same from a fit of nearly the same terms, and weighs the same rows down", () => {
    const spoilt = y.map((value, i) => (i % 10 === 3 ? value - 5 : value));
    const cold = robustRidge([free(ones(200)), free(t)], spoilt, ones(200));
    const first = robustRidge([free(ones(200))], spoilt, ones(200));
    const warm = robustRidge([free(ones(200)), free(t)], spoilt, ones(200), 10, first);
    expect(warm.coefficients[1]).toBeCloseTo(cold.coefficients[1]!, 3);
    expect(warm.huber[13]).toBeLessThan(0.1);
    expect(warm.huber[14]).toBe(1);
  });

  it("sees a tenth of the rows gone astray in its loss, which its scale does not", () => {
    const spoilt = y.map((value, i) => (i > 180 ? value - 0.3 : value));
    const [kept, gone] = [y, spoilt].map((rows) => robustRidge([free(ones(200)), free(t)], rows, ones(200))) as [
      ReturnType<typeof robustRidge>,
      ReturnType<typeof robustRidge>,
    ];
    expect(gone.scale / kept.scale).toBeLessThan(1.5);
    expect(gone.lossAt(kept.scale)).toBeGreaterThan(5 * kept.lossAt(kept.scale));
  });

  it("tells terms apart that touch different stretches, overlap or not, with missing rows among them", () => {
    const within = (from: number, to: number): Float64Array =>
      Float64Array.from({ length: 200 }, (_, i) => (i >= from && i < to ? 1 + (i - from) / 50 : 0));
    const terms = [ones(200), within(0, 60), within(40, 120), within(150, 180), new Float64Array(200)];
    const truth = [1.5, -0.3, 0.2, 0.7, 0];
    const target = Float64Array.from({ length: 200 }, (_, i) =>
      i % 7 === 0 ? Number.NaN : terms.reduce((sum, values, k) => sum + truth[k]! * values[i]!, 0),
    );
    const known = { values: terms[4]!, prior: 0.25, priorDeviation: 0.1 };
    const { coefficients, residuals } = robustRidge([...terms.slice(0, 4).map(free), known], target, ones(200));
    truth.slice(0, 4).forEach((value, k) => void expect(coefficients[k]).toBeCloseTo(value, 6));
    expect(coefficients[4]).toBeCloseTo(0.25, 9);
    expect(residuals[7]).toBeNaN();
    expect(Math.abs(residuals[50]!)).toBeLessThan(1e-6);
  });

  it("gives errors that shrink with the rows", () => {
    const few = robustRidge(
      [free(ones(200)), free(t)],
      y.map((value, i) => (i % 10 === 0 ? value : Number.NaN)),
      ones(200),
    );
    const many = robustRidge([free(ones(200)), free(t)], y, ones(200));
    expect(many.errorOf(Float64Array.of(0, 1))).toBeLessThan(few.errorOf(Float64Array.of(0, 1)));
  });
});

describe("a median among few", () => {
  it("is that of the stretch asked for, odd or even, and leaves the values as they were", () => {
    const values = [9, 4, 7, 1, 8, 2];
    expect(medianAmong(values, 0, 3)).toBe(7);
    expect(medianAmong(values, 1, 5)).toBe(5.5);
    expect(values).toEqual([9, 4, 7, 1, 8, 2]);
    expect(medianAmong(values, 2, 2)).toBeNaN();
  });

  it("agrees with the median of all at any length", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ noNaN: true, min: -1e6, max: 1e6 }), { minLength: 1, maxLength: 90 }), (values) => {
        expect(medianAmong(values, 0, values.length)).toBeCloseTo(medianOf(values), 6);
      }),
    );
  });
});

describe("block bootstrap", () => {
  it("holds the mean of independent rows about as wide as theory says", () => {
    const uniform = seededUniform(11);
    const rows = Float64Array.from({ length: 400 }, () => uniform());
    const { low, high } = blockBootstrap(
      { count: 400, block: 1, draws: 1000, seed: 5 },
      (at) => at.reduce((sum, i) => sum + rows[i]!, 0) / 400,
    );
    const half = (1.96 * Math.sqrt(1 / 12)) / 20;
    expect((high - low) / 2 / half).toBeGreaterThan(0.85);
    expect((high - low) / 2 / half).toBeLessThan(1.15);
  });

  it("widens when rows hang together", () => {
    const rows = Float64Array.from({ length: 400 }, (_, i) => (Math.floor(i / 40) % 2 === 0 ? 1 : 0));
    const mean = (at: Int32Array): number => at.reduce((sum, i) => sum + rows[i]!, 0) / 400;
    const apart = blockBootstrap({ count: 400, block: 1, draws: 500, seed: 5 }, mean);
    const together = blockBootstrap({ count: 400, block: 40, draws: 500, seed: 5 }, mean);
    expect(together.high - together.low).toBeGreaterThan(2 * (apart.high - apart.low));
  });

  it("draws only rows that are there, and the same for a seed", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 80 }), (count, block) => {
        const run = (): number[] => {
          const seen: number[] = [];
          blockBootstrap({ count, block, draws: 3, seed: 9 }, (at) => seen.push(...at));
          return seen;
        };
        const seen = run();
        expect(seen.every((i) => i >= 0 && i < count)).toBe(true);
        expect(run()).toEqual(seen);
      }),
      { seed: 41 },
    );
  });
});

it("a median leaves missing values out, and of none is none", () => {
  expect(medianOf([3, Number.NaN, 1])).toBe(2);
  expect(medianOf([Number.NaN])).toBeNaN();
});

describe("a quantile", () => {
  it("lies on the straight line between its neighbours, and leaves missing values out", () => {
    expect(quantileOf([4, 1, 3, 2], 0.5)).toBe(2.5);
    expect(quantileOf([4, 1, Number.NaN, 3, 2], 0.25)).toBeCloseTo(1.75, 12);
    expect([0, 1].map((share) => quantileOf([3, 1, 2], share))).toEqual([1, 3]);
    expect(quantileOf([], 0.5)).toBeNaN();
  });

  it("among values without an end is one of them, never nothing", () => {
    const endless = [1, 2, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
    expect([0.1, 0.5, 0.9].map((share) => quantileOf(endless, share))).toEqual([1.3, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]);
    expect(quantileOf([Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, 1, 2], 0.5)).toBe(Number.NEGATIVE_INFINITY);
  });
});
