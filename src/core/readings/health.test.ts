import { describe, expect, it } from "vitest";
import { daysOfMonth, expectedOverDays, healthSide, promisedKwh, USUAL_TOLERANCE } from ".";

describe("a reading beside what it should be", () => {
  it("is fine within the kilowatt-hours or within the share, on either side", () => {
    const within = (read: number, measure: number) => healthSide(read, measure, { kwh: 1, frac: 0.1 }).within;
    expect([within(101, 100), within(110, 100), within(110.1, 100), within(90, 100), within(89.9, 100)]).toEqual([
      true,
      true,
      false,
      true,
      false,
    ]);
    expect([within(3, 2), within(3.1, 2), within(1, 2), within(0.9, 2)]).toEqual([true, false, true, false]);
    expect(USUAL_TOLERANCE).toEqual({ kwh: 1, frac: 0.1 });
  });

  it("says how far it stands, and has no ratio to nothing", () => {
    expect(healthSide(90, 100, USUAL_TOLERANCE)).toMatchObject({ measureKwh: 100, differenceKwh: -10, ratio: 0.9 });
    expect(healthSide(1, 0, USUAL_TOLERANCE).ratio).toBeNaN();
  });
});

describe("what a promise says for some days", () => {
  const monthly = [31, 28, 62, 30, 31, 30, 31, 31, 30, 31, 30, 310];

  it("is each day its share of its own month", () => {
    expect(promisedKwh(monthly, "2023-01-01", "2024-01-01")).toBeCloseTo(
      monthly.reduce((a, b) => a + b, 0),
      9,
    );
    expect(promisedKwh(monthly, "2023-02-20", "2023-03-03")).toBeCloseTo(9 + 2 * 2, 9);
    expect(promisedKwh(monthly, "2023-12-30", "2024-01-02")).toBeCloseTo(2 * 10 + 1, 9);
    expect(promisedKwh(monthly, "2023-05-01", "2023-05-01")).toBe(0);
  });

  it("a leap year's February has a day more", () => {
    expect(promisedKwh(monthly, "2024-02-29", "2024-03-01")).toBeCloseTo(28 / 29, 12);
    expect([2023, 2024, 1900, 2000, 2100].map((year) => daysOfMonth(year, 1))).toEqual([28, 29, 28, 29, 28]);
    expect(daysOfMonth(2024, 0)).toBe(31);
    expect(daysOfMonth(2024, 3)).toBe(30);
  });
});

describe("what was expected over some days", () => {
  const basis = { days: ["2024-03-01", "2024-03-02", "2024-03-04"], expectedKwh: [10, 20, 40] };

  it("is the sum of the days that have weather, with their share of all", () => {
    expect(expectedOverDays(basis, "2024-03-01", "2024-03-03")).toEqual({ kwh: 30, knownFrac: 1 });
    expect(expectedOverDays(basis, "2024-03-02", "2024-03-05")).toEqual({ kwh: 60, knownFrac: 2 / 3 });
    expect(expectedOverDays(basis, "2024-04-01", "2024-04-02")).toBeNull();
    expect(expectedOverDays(basis, "2024-03-02", "2024-03-02")).toBeNull();
  });
});
