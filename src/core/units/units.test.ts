import { describe, expect, it } from "vitest";
import { DAY_MS, DAYS_PER_YEAR, degToRad, HOUR_MS, HOURS_PER_YEAR, hoursOfStep, kwhFromMeanW, MINUTE_MS, radToDeg, YEAR_MS } from ".";

describe("units", () => {
  it("angles turn into each other", () => {
    expect(degToRad(180)).toBeCloseTo(Math.PI, 15);
    expect(degToRad(-30)).toBeCloseTo(-Math.PI / 6, 15);
    expect(radToDeg(Math.PI / 2)).toBeCloseTo(90, 12);
    expect(radToDeg(degToRad(123.4))).toBeCloseTo(123.4, 12);
  });

  it("mean power over a step is energy", () => {
    expect(kwhFromMeanW(1000, 60)).toBe(1);
    expect(kwhFromMeanW(4000, 15)).toBe(1);
    expect(hoursOfStep(5)).toBeCloseTo(1 / 12, 15);
  });

  it("times are made of each other", () => {
    expect(HOUR_MS).toBe(60 * MINUTE_MS);
    expect(DAY_MS).toBe(24 * HOUR_MS);
    // Four hundred years of the calendar hold 146,097 days.
    expect(DAYS_PER_YEAR * 400).toBeCloseTo(146_097, 6);
    expect(YEAR_MS / DAY_MS).toBeCloseTo(DAYS_PER_YEAR, 9);
    expect(HOURS_PER_YEAR / 24).toBe(365.25);
  });
});
