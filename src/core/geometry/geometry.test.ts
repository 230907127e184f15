import { near } from "@test/near";
import { describe, expect, it } from "vitest";
import {
  cooperDeclinationDeg,
  dayLengthHours,
  equationOfTimeMinutes,
  noonElevationDeg,
  rowSpacing,
  shadowOf,
  spencerDeclinationDeg,
  sunAtSolarTime,
} from ".";

describe("the year's declination", () => {
  it("swings between the tropics, and both formulas agree within a degree and a half", () => {
    for (let day = 1; day <= 365; day++) {
      expect(Math.abs(spencerDeclinationDeg(day))).toBeLessThan(23.6);
      expect(Math.abs(spencerDeclinationDeg(day) - cooperDeclinationDeg(day))).toBeLessThan(1.5);
    }
  });

  it("makes clocks run up to a quarter of an hour apart from the sun", () => {
    const minutes = Array.from({ length: 365 }, (_, k) => equationOfTimeMinutes(k + 1));
    expect(Math.max(...minutes)).toBeGreaterThan(16);
    expect(Math.min(...minutes)).toBeLessThan(-14);
  });
});

describe("a day", () => {
  it("lasts twelve hours on the equator and at the equinox, none and all at the poles' solstices", () => {
    expect(dayLengthHours(0, 23)).toBeCloseTo(12, 9);
    expect(dayLengthHours(52, 0)).toBeCloseTo(12, 9);
    expect([dayLengthHours(80, -23), dayLengthHours(80, 23), dayLengthHours(-80, 23)]).toEqual([0, 24, 0]);
  });

  it("is as long in the south in December as in the north in June", () => {
    expect(dayLengthHours(-40, -23.4)).toBeCloseTo(dayLengthHours(40, 23.4), 9);
    expect(noonElevationDeg(-31, -23.4)).toBeCloseTo(noonElevationDeg(31, 23.4), 9);
  });

  it("has its noon in the south of the north, and in the north of the south", () => {
    expect(sunAtSolarTime(40, 0, 12).azimuthDeg).toBeCloseTo(180, 6);
    expect(sunAtSolarTime(-31, 0, 12).azimuthDeg % 360).toBeCloseTo(0, 6);
    expect(sunAtSolarTime(40, 10, 12).elevationDeg).toBeCloseTo(noonElevationDeg(40, 10), 9);
  });

  it("is the same before and after noon, turned about the meridian", () => {
    const [before, after] = [sunAtSolarTime(47, 12, 9.5), sunAtSolarTime(47, 12, 14.5)];
    expect(before.elevationDeg).toBeCloseTo(after.elevationDeg, 9);
    expect(before.azimuthDeg).toBeCloseTo(360 - after.azimuthDeg, 9);
  });
});

describe("a shadow", () => {
  it("is as long as its thing is high at 45 degrees, and falls away from the sun", () => {
    expect(shadowOf(9, { elevationDeg: 45, azimuthDeg: 200 })).toEqual({ lengthM: near(9, 9) as number, bearingDeg: 20 });
  });

  it("is none with the sun down", () => {
    expect(shadowOf(9, { elevationDeg: 0, azimuthDeg: 90 })).toBeNull();
  });
});

describe("rows", () => {
  const rows = {
    latitudeDeg: 40,
    tiltDeg: 30,
    surfaceAzimuthDeg: 180,
    slantLengthM: 2,
    declinationDeg: -23.45,
    windowStartH: 10,
    windowEndH: 14,
  };

  it("stand further apart toward the pole, and closer for a shorter window", () => {
    expect(rowSpacing({ ...rows, latitudeDeg: 50 })!.pitchM).toBeGreaterThan(rowSpacing(rows)!.pitchM);
    expect(rowSpacing({ ...rows, windowStartH: 11, windowEndH: 13 })!.gapM).toBeLessThan(rowSpacing(rows)!.gapM);
  });

  it("are the same in the south, facing north, at its own solstice", () => {
    const south = rowSpacing({ ...rows, latitudeDeg: -40, surfaceAzimuthDeg: 0, declinationDeg: 23.45 })!;
    expect(south.pitchM).toBeCloseTo(rowSpacing(rows)!.pitchM, 9);
  });

  it("can't be kept free of shade where the sun does not rise, and need no gap lying flat", () => {
    expect(rowSpacing({ ...rows, latitudeDeg: 70 })).toBeNull();
    expect(rowSpacing({ ...rows, tiltDeg: 0 })).toEqual({ rowHeightM: 0, gapM: 0, pitchM: 2 });
  });
});
