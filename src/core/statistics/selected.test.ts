import { expect, it } from "vitest";
import { selected } from ".";

it("values that pass are kept in their order, and only they", () => {
  expect(selected(Float64Array.of(3, Number.NaN, -1, 0, 5), (value) => value > 0)).toEqual(Float64Array.of(3, 5));
  expect(selected(new Float64Array(0), () => true)).toEqual(new Float64Array(0));
});
