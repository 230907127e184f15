import { describe, expect, it } from "vitest";
import { assertOnAxis, indexAt, sumOnto, total, unionAxis } from ".";

const hour = (startHour: number, count: number, stepMinutes = 60) => ({ startUtcMs: startHour * 3_600_000, stepMinutes, count });

describe("sumOnto", () => {
  it("sums quarters into hours and says how much was read", () => {
    const quarters = Float64Array.of(1, 2, 3, 4, 5, Number.NaN, 7, Number.NaN);
    const { sums, coverageFrac } = sumOnto(quarters, hour(1, 8, 15), hour(0, 4));
    expect([...sums]).toEqual([Number.NaN, 10, 12, Number.NaN]);
    expect([...coverageFrac]).toEqual([0, 1, 0.5, 0]);
  });

  it("refuses a step that does not divide", () => {
    expect(() => sumOnto(new Float64Array(2), hour(0, 2, 45), hour(0, 2))).toThrow(/can't be summed/);
  });
});

describe("axes", () => {
  it("join to the span of both", () => {
    expect(unionAxis(hour(3, 2), hour(8, 4))).toEqual(hour(3, 9));
  });

  it("find the interval that holds an instant", () => {
    expect(indexAt(hour(2, 5), 4.5 * 3_600_000)).toBe(2);
  });

  it("refuse a column of another length by name", () => {
    expect(() => assertOnAxis(hour(0, 3), { ghi: new Float64Array(2) })).toThrow(/ghi has 2 values/);
  });
});

it("a sum names its gap rule", () => {
  expect(total([1, Number.NaN, 2], "skip")).toBe(3);
  expect(total([1, Number.NaN, 2], "propagate")).toBeNaN();
});
