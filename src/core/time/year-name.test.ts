import { describe, expect, it } from "vitest";
import { isTimeZone, yearName } from ".";

describe("the year that a month lies in", () => {
  it.each([
    ["2023-01", 1, "2023"],
    ["2023-12", 1, "2023"],
    ["2023-06", 7, "FY2023"],
    ["2023-07", 7, "FY2024"],
    ["2023-12-31", 7, "FY2024"],
    ["2023-01-31", 2, "FY2023"],
    ["2023-02", 2, "FY2024"],
  ])("%s where the year begins in month %s is %s", (key, first, name) => {
    expect(yearName(key, first)).toBe(name);
  });

  it("zones are those of the list", () => {
    expect(["Europe/Madrid", "UTC", "Mars/Olympus", ""].map(isTimeZone)).toEqual([true, true, false, false]);
  });
});
