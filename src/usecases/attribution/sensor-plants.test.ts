import { describe, expect, it } from "vitest";
import { JUDGED_FROM, sensorRow } from "../../../scripts/sensor-rows";

describe("ageing under light that is not true", () => {
  // A small part of the hundred of docs/accuracy.md, one of each kind.
  it.each([0, 1, 2, 3, 4])("plant %i: the interval holds the truth, and is no wider than what it has to bear", (k) => {
    const { low, high, holds, kind } = sensorRow(JUDGED_FROM + 500 + k);
    expect(holds, kind).toBe(true);
    // A satellite's scatter is borne by none of three years; a station's light is.
    if (kind !== "satellite") expect((high - low) / 2, kind).toBeLessThan(0.03);
  });
});
