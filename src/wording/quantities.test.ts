import { describe, expect, it } from "vitest";
import { mappedQuantities } from "@/contracts/mapping";
import { quantityName } from "./quantities";

describe("what a column holds", () => {
  it("has a name with its unit, never the header", () => {
    for (const quantity of mappedQuantities) expect(quantityName(quantity)).not.toContain("_");
    expect(new Set(mappedQuantities.map((quantity) => quantityName(quantity))).size).toBe(mappedQuantities.length);
    expect(quantityName("ghi_w_m2")).toBe("Global horizontal irradiance, W/m²");
    expect(quantityName("albedo")).toBe("Albedo");
  });

  it("says which meter reads it", () => {
    expect(quantityName("energy_kwh", "main")).toBe("main meter, energy, kWh");
  });
});
