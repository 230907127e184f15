import { describe, expect, it } from "vitest";
import { total, totalsByBin } from ".";

describe("sums of a column", () => {
  it("leave missing values out, or let one make the sum missing", () => {
    expect(total([1, Number.NaN, 2.5], "skip")).toBe(3.5);
    expect(total([1, Number.NaN, 2.5], "propagate")).toBeNaN();
    expect(total([1, 2.5], "propagate")).toBe(3.5);
    expect(total([], "propagate")).toBe(0);
    expect(total([Number.NaN], "skip")).toBe(0);
  });

  it("go by bin, with nothing for a bin without values", () => {
    const binOf = Uint16Array.of(0, 2, 0, 2, 2);
    expect([...totalsByBin([1, 2, 3, Number.NaN, 5], binOf, 4)]).toEqual([4, 0, 7, 0]);
  });
});
