import { describe, expect, it } from "vitest";
import {
  dateName,
  editable,
  inReadersUnit,
  kwhDecimals,
  measure,
  monthName,
  number,
  percent,
  plainNumbers,
  yearsAndMonths,
} from "./format";
import { REGION_IDS, type RegionId, type Units, writingCode, writingCodeIn, writingNow, writingOf, writtenAs } from "./writing";

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

describe("as its reader writes", () => {
  const as = <T>(region: RegionId, make: () => T, units: Units = "metric"): T => {
    let made: T | undefined;
    writtenAs({ region, units }, () => {
      made = make();
      return "";
    });
    return made as T;
  };

  it.each([
    ["house", "1\u202f234\u202f567.5", "7 March 2025"],
    ["en-US", "1,234,567.5", "March 7, 2025"],
    ["en-IN", "12,34,567.5", "7 March 2025"],
    ["de-DE", "1.234.567,5", "7 March 2025"],
    ["de-CH", "1’234’567.5", "7 March 2025"],
    ["sv-SE", "1\u00a0234\u00a0567,5", "2025 March 7"],
  ] as const)("%s: %s, %s", (region, shown, day) => {
    expect(as(region, () => number(1_234_567.5, 1))).toBe(shown);
    expect(as(region, () => dateName("2025-03-07"))).toBe(day);
  });

  it("leaves four digits together where its readers do", () => {
    expect([as("es-ES", () => number(1234)), as("es-ES", () => number(12_345))]).toEqual(["1234", "12.345"]);
  });

  it.each(REGION_IDS)("%s: what is saved of a table keeps to points", (region) => {
    const shown = (): string => `${number(-1_234_567.25, 2)} kWh, ${number(12.5, 1)}, 2025-10`;
    expect(as(region, () => plainNumbers(shown())).replace("\u2212", "-")).toBe("-1234567.25 kWh, 12.5, 2025-10");
  });

  it("keeps a field's figure without needless noughts", () => {
    expect([editable(12.5, 6), editable(1200, 2, true), as("de-DE", () => editable(12.5, 2))]).toEqual(["12.5", "1\u202f200", "12,5"]);
  });

  it("gives measures in the reader's units", () => {
    expect(as("en-US", () => measure(-20, "°C"), "imperial")).toBe("\u22124\u00a0°F");
    expect(as("en-US", () => measure(12.5, "m", 1), "imperial")).toBe("41.0\u00a0ft");
    expect(as("house", () => measure(12.5, "m", 1))).toBe("12.5\u00a0m");
    expect(as("en-US", () => inReadersUnit(5, "kWh"), "imperial")).toEqual([5, "kWh"]);
  });

  it("takes no other code than its own from a cookie", () => {
    expect(writingCodeIn("a=1; dusty-ledger-writing=de-DE.metric; b=2")).toBe("de-DE.metric");
    expect(writingCodeIn("dusty-ledger-writing=__proto__.metric")).toBe("house.metric");
    expect(writingCodeIn("dusty-ledger-writing=de-DE.cubits")).toBe("house.metric");
    expect(writingCodeIn(undefined)).toBe("house.metric");
    expect(writingCode(writingOf("en-US.metric"))).toBe("en-US.metric");
    expect(writingNow().code).toBe("house.metric");
  });
});
