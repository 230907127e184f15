import { expect, it } from "vitest";
import { residualWorking } from "./residual-working";

it("the working of a residual has each stretch in its own unit, and the lean with its interval", () => {
  const bins = [0, 1, 2].map((k) => ({ from: k * 0.1, to: (k + 1) * 0.1, frac: -0.01 * k, standardFrac: 0.002, hours: 40 }));
  const working = residualWorking({ by: "load", bins, lean: { frac: -0.02, halfFrac: 0.004 } });
  expect(working.value).toBe("\u22122.0\u202f% ± 0.4\u202f%");
  expect(working.inputs.map(({ name }) => name)).toEqual([
    "0 to 10 % of the rating",
    "10 to 20 % of the rating",
    "20 to 30 % of the rating",
  ]);
  expect(working.inputs[2]).toMatchObject({ value: "\u22122.0\u202f% ± 0.2\u202f%", from: expect.stringContaining("40 hours") as string });
  expect(residualWorking({ by: "load", bins, lean: null }).value).toBe("–");
});
