import { expect, it } from "vitest";
import { referenceCases } from "../../../test/reference-vectors";
import { clipW, constantEfficiencyW } from ".";

it("constant efficiency with clipping agrees with the vectors", () => {
  for (const { id, input, expected } of referenceCases<{ pdcW: number; efficiency: number; pacMaxW: number }, { pacW: number }>(
    "inverter",
    "constant",
  )) {
    expect(clipW(constantEfficiencyW(input.pdcW, input.efficiency), input.pacMaxW), id).toBeCloseTo(expected.pacW, 6);
  }
});
