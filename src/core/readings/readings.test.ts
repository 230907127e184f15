import { describe, expect, it } from "vitest";
import { energyKwh, settleReadings } from ".";

describe("energy of an interval", () => {
  it("is a mean power times its step", () => {
    expect([...energyKwh(Float64Array.of(4000, Number.NaN), "power_w", 15)]).toEqual([1, Number.NaN]);
  });

  it("is the difference of two counter readings, and missing at a reset and at the end", () => {
    const counter = Float64Array.of(100, 103, 103, 1, 2);
    expect([...energyKwh(counter, "counter_kwh", 60)]).toEqual([3, 0, Number.NaN, 1, Number.NaN]);
  });
});

describe("settling", () => {
  const gap = Number.NaN;

  it("spreads a row that holds its gap's energy, keeping the sum", () => {
    const settled = settleReadings(Float64Array.of(2, gap, gap, 12, 3), 5);
    expect([...settled.energyKwh]).toEqual([2, 4, 4, 4, 3]);
    expect(settled.caughtUp).toEqual([{ at: 3, over: 3, kwh: 12 }]);
  });

  it("takes a row as unread that even its gap can't explain", () => {
    const settled = settleReadings(Float64Array.of(2, gap, 12, 900), 5);
    expect([...settled.energyKwh]).toEqual([2, gap, gap, gap]);
    expect(settled.impossible.map((row) => row.at)).toEqual([2, 3]);
  });

  it("hands on what needs no settling, and never writes to what it was given", () => {
    const fine = Float64Array.of(1, 2, 3);
    expect(settleReadings(fine, 5).energyKwh).toBe(fine);
    const wild = Float64Array.of(1, 900, 3);
    expect([...settleReadings(wild, 5).energyKwh]).toEqual([1, gap, 3]);
    expect([...wild]).toEqual([1, 900, 3]);
  });

  it("leaves a gap alone whose next row is possible by itself", () => {
    expect([...settleReadings(Float64Array.of(2, gap, 5, 1), 5).energyKwh]).toEqual([2, gap, 5, 1]);
  });
});
