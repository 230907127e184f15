import { describe, expect, it } from "vitest";
import { sharedByShape } from "./shared-by-shape";

const sum = (parts: readonly number[]): number => parts.reduce((a, b) => a + b, 0);

describe("a total shared by a shape", () => {
  it("keeps the total to the last tenth, and the shape", () => {
    const parts = sharedByShape(9400, [1, 2, 3, 4, 5, 6, 6, 5, 4, 3, 2, 1]);
    expect(sum(parts)).toBeCloseTo(9400, 6);
    expect(parts[5]! / parts[0]!).toBeCloseTo(6, 1);
    expect(sum(sharedByShape(1, [1, 1, 1]))).toBeCloseTo(1, 9);
  });

  it("is even where there is no shape, and gives nothing below nothing", () => {
    expect(sharedByShape(12, new Array<number>(12).fill(0))).toEqual(new Array<number>(12).fill(1));
    expect(sharedByShape(10, [-1, 1])).toEqual([0, 10]);
  });
});
