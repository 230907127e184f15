import { describe, expect, it } from "vitest";
import { writtenAs } from "@/wording/writing";
import { labelInUnit, toMetric, toReaders, unitIn } from "./field-unit";

describe("the unit of a field", () => {
  it.each([
    ["Length, m", "m"],
    ["Latitude, ° (north +)", "°"],
    ["Coldest air on record, °C", "°C"],
    ["kWp", "kWp"],
    ["Fee, EUR", "EUR"],
    ["How many", null],
    ["Hinge to leg, along the frame, m", "m"],
    ["Tolerance of the rating, %", "%"],
    ["to, solar hour", null],
  ])("%s: %s", (label, unit) => {
    expect(unitIn(label)).toBe(unit);
  });

  it("is the reader's own, and kept in the metric one", () => {
    writtenAs({ region: "en-US", units: "imperial" }, () => {
      expect(labelInUnit("Length, m", "m", "ft")).toBe("Length, ft");
      expect(labelInUnit("Latitude, ° (north +)", "°", "°")).toBe("Latitude, ° (north +)");
      expect(toReaders(3.048, "m")).toBeCloseTo(10, 9);
      expect(toMetric(10, "m")).toBeCloseTo(3.048, 9);
      expect(toMetric(10, "kWh")).toBe(10);
      return "";
    });
    expect(toReaders(3, "m")).toBe(3);
  });
});
