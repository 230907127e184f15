import { describe, expect, it } from "vitest";
import { dateName, kwhDecimals, monthName, number, percent, yearsAndMonths } from "./format";

describe("numbers for people", () => {
  it("carry thin spaces and a true minus", () => {
    expect(number(1234567.4)).toBe("1\u202f234\u202f567");
    expect(number(-1521)).toBe("\u22121\u202f521");
    expect(number(12.345, 2)).toBe("12.35");
  });

  it("never show a minus before zero", () => {
    expect(number(-0.3)).toBe("0");
  });

  it("keep small sites readable", () => {
    expect([1200, 99, 4].map(kwhDecimals)).toEqual([0, 1, 2]);
  });

  it("write shares in percent", () => {
    expect(percent(0.9614)).toBe("96.1\u202f%");
  });
});

it("names months and days", () => {
  expect([monthName("2025-10"), monthName("2025-10", "short"), monthName("2025"), dateName("2025-03-07")]).toEqual([
    "October",
    "Oct",
    "2025",
    "7 March 2025",
  ]);
});

it("writes years in years and months", () => {
  expect([7.33, 1, 0.999, 0.5, 0].map(yearsAndMonths)).toEqual(["7 years 4 months", "1 year", "1 year", "6 months", "at once"]);
});
