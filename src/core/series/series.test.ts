import { describe, expect, it } from "vitest";
import { assertOnAxis, endUtcMs, indexAt, sumOnto, unionAxis } from ".";

const hour = (startHour: number, count: number, stepMinutes = 60) => ({ startUtcMs: startHour * 3_600_000, stepMinutes, count });

describe("sumOnto", () => {
  it("sums quarters into hours and says how much was read", () => {
    const quarters = Float64Array.of(1, 2, 3, 4, 5, Number.NaN, 7, Number.NaN);
    const { sums, coverageFrac } = sumOnto(quarters, hour(1, 8, 15), hour(0, 4));
    expect([...sums]).toEqual([Number.NaN, 10, 12, Number.NaN]);
    expect([...coverageFrac]).toEqual([0, 1, 0.5, 0]);
  });

  it("of one value each hands them on, and says which were read", () => {
    const values = Float64Array.of(4, Number.NaN, 6);
    const { sums, coverageFrac } = sumOnto(values, hour(5, 3), hour(5, 3));
    expect(sums).toBe(values);
    expect([...coverageFrac]).toEqual([1, 0, 1]);
    expect([...sumOnto(values, hour(5, 3), hour(4, 3)).sums]).toEqual([Number.NaN, 4, Number.NaN]);
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

describe("edges", () => {
  it("fine intervals outside the target are dropped, at both ends and in part", () => {
    const quarters = Float64Array.from({ length: 16 }, (_, k) => k + 1);
    const { sums, coverageFrac } = sumOnto(quarters, hour(0.5, 16, 15), hour(1, 2));
    expect([...sums]).toEqual([3 + 4 + 5 + 6, 7 + 8 + 9 + 10]);
    expect([...coverageFrac]).toEqual([1, 1]);
    expect([...sumOnto(Float64Array.of(1, 2), hour(1.5, 2, 15), hour(1, 1)).coverageFrac]).toEqual([0.5]);
  });

  it("the same step is laid over as it is", () => {
    expect([...sumOnto(Float64Array.of(5, 6, 7), hour(1, 3), hour(0, 5)).sums]).toEqual([Number.NaN, 5, 6, 7, Number.NaN]);
  });

  it("an interval holds its start and not its end, and what lies outside has an index outside", () => {
    const axis = hour(2, 5, 30);
    expect(endUtcMs(axis)).toBe(4.5 * 3_600_000);
    expect([2, 2.49, 2.5, 1.99, 4.5].map((h) => indexAt(axis, h * 3_600_000))).toEqual([0, 0, 1, -1, 5]);
  });

  it("axes that overlap or enclose join to what holds both, of one step alone", () => {
    expect(unionAxis(hour(0, 10, 30), hour(2, 2, 30))).toEqual(hour(0, 10, 30));
    expect(unionAxis(hour(2, 2, 30), hour(0, 10, 30))).toEqual(hour(0, 10, 30));
    expect(() => unionAxis(hour(0, 1), hour(0, 1, 30))).toThrow("Steps differ: 60 and 30 min");
  });

  it("columns that are not there need no length", () => {
    expect(() => assertOnAxis(hour(0, 3), { ghi: null, poa: new Float64Array(3) })).not.toThrow();
    expect(() => assertOnAxis(hour(0, 3), { poa: new Float64Array(4) })).toThrow("Column poa has 4 values, the time axis 3");
  });
});
