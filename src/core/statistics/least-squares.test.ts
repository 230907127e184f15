import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { leastSquares } from ".";

const columnsOf = (...columns: number[][]): Float64Array[] => columns.map((column) => Float64Array.from(column));

/** Another route to the same: normal equations of centred, scaled columns by elimination with the largest pivot, mended twice by its own residuals. */
function byNormalEquations(columns: readonly Float64Array[], y: Float64Array): number[] {
  const size = columns.map((column) => Math.sqrt(column.reduce((sum, value) => sum + value ** 2, 0)));
  const dot = (a: Float64Array, b: Float64Array): number => a.reduce((sum, value, i) => sum + value * b[i]!, 0);
  const solve = (right: number[]): number[] => {
    const rows = columns.map((a, j) => [...columns.map((b, k) => dot(a, b) / (size[j]! * size[k]!)), right[j]!]);
    for (let j = 0; j < rows.length; j++) {
      const pivot = rows.reduce((best, row, k) => (k >= j && Math.abs(row[j]!) > Math.abs(rows[best]![j]!) ? k : best), j);
      [rows[j], rows[pivot]] = [rows[pivot]!, rows[j]!];
      for (let k = j + 1; k < rows.length; k++) {
        const factor = rows[k]![j]! / rows[j]![j]!;
        for (let c = j; c < rows[k]!.length; c++) rows[k]![c] = rows[k]![c]! - factor * rows[j]![c]!;
      }
    }
    const out = new Array<number>(rows.length).fill(0);
    for (let j = rows.length - 1; j >= 0; j--) {
      let rest = rows[j]!.at(-1)!;
      for (let c = j + 1; c < rows.length; c++) rest -= rows[j]![c]! * out[c]!;
      out[j] = rest / rows[j]![j]!;
    }
    return out.map((value, j) => value / size[j]!);
  };
  let fit = solve(columns.map((column, j) => dot(column, y) / size[j]!));
  for (let k = 0; k < 3; k++) {
    const rest = y.map((value, i) => value - columns.reduce((sum, column, j) => sum + column[i]! * fit[j]!, 0));
    const more = solve(columns.map((column, j) => dot(column, rest) / size[j]!));
    fit = fit.map((value, j) => value + more[j]!);
  }
  return fit;
}

describe("leastSquares", () => {
  it("gives back a law that the values follow", () => {
    const light = [400, 500, 650, 800, 950, 720];
    const air = [10, 25, 15, 30, 5, 18];
    const y = light.map((value, i) => value * (0.05 - 4e-6 * value - 1e-4 * air[i]!));
    const fit = leastSquares(
      columnsOf(
        light,
        light.map((value) => value ** 2),
        light.map((value, i) => value * air[i]!),
      ),
      Float64Array.from(y),
    )!;
    expect(fit.coefficients[0]).toBeCloseTo(0.05, 12);
    expect(fit.coefficients[1]).toBeCloseTo(-4e-6, 15);
    expect(fit.coefficients[2]).toBeCloseTo(-1e-4, 14);
    expect(Math.max(...fit.residuals.map(Math.abs))).toBeLessThan(1e-10);
  });

  it("agrees with another route to a billionth", () => {
    const rows = fc.array(
      fc.tuple(fc.integer({ min: 300, max: 1100 }), fc.integer({ min: -10, max: 40 }), fc.integer({ min: -100, max: 100 })),
      {
        minLength: 40,
        maxLength: 120,
      },
    );
    fc.assert(
      fc.property(rows, (data) => {
        const light = Float64Array.from(data, ([value]) => value);
        const columns = [light, light.map((value) => value ** 2), light.map((value, i) => value * data[i]![1])];
        const y = light.map((value, i) => value * 0.05 + data[i]![2] / 100);
        const fit = leastSquares(columns, y);
        fc.pre(fit !== null && new Set(light).size > 20 && new Set(data.map(([, air]) => air)).size > 10);
        const other = byNormalEquations(columns, y);
        for (const [j, value] of fit.coefficients.entries())
          expect(Math.abs(value - other[j]!)).toBeLessThan(1e-9 * Math.max(1e-3, Math.abs(other[j]!)));
      }),
      { numRuns: 60 },
    );
  });

  it("tells the weight of each row in a value", () => {
    const columns = columnsOf([1, 1, 1, 1, 1], [1, 2, 3, 4, 6]);
    const y = Float64Array.from([2.1, 3.9, 6.2, 7.8, 12.3]);
    const fit = leastSquares(columns, y)!;
    const weights = fit.weightsAt([1, 5]);
    expect(weights.reduce((sum, weight, i) => sum + weight * y[i]!, 0)).toBeCloseTo(fit.coefficients[0]! + 5 * fit.coefficients[1]!, 12);
    // Weights of a straight line at the mean are even.
    expect([...fit.weightsAt([1, 3.2])].every((weight) => Math.abs(weight - 0.2) < 1e-12)).toBe(true);
  });

  it.each([
    ["two columns that are one", columnsOf([1, 2, 3], [2, 4, 6])],
    ["a column of nothing", columnsOf([1, 2, 3], [0, 0, 0])],
    ["fewer rows than columns", columnsOf([1], [2])],
  ])("fits nothing to %s", (_, columns) => {
    expect(
      leastSquares(
        columns,
        Float64Array.from({ length: columns[0]!.length }, () => 1),
      ),
    ).toBeNull();
  });

  it("wants columns of one length", () => {
    expect(() => leastSquares(columnsOf([1, 2], [1]), Float64Array.from([1, 2]))).toThrow(RangeError);
  });
});
