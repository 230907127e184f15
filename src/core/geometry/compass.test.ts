import { describe, expect, it } from "vitest";
import { magneticDeclination, magneticOfTrueDeg, trueOfMagneticDeg } from ".";

describe("magnetic and true north", () => {
  it("turn into each other around the circle", () => {
    expect(trueOfMagneticDeg(350, 15)).toBe(5);
    expect(trueOfMagneticDeg(5, -15)).toBe(350);
    expect(magneticOfTrueDeg(5, 15)).toBe(350);
    expect(magneticOfTrueDeg(355, -10)).toBe(5);
    expect(trueOfMagneticDeg(-370, 0)).toBe(350);
  });

  it("the model's years are said, and a date outside them is outdated", () => {
    const at = (date: string) => magneticDeclination({ latitudeDeg: 40, longitudeDeg: -3 }, Date.parse(date));
    expect(at("2022-06-01").outdated).toBe(false);
    expect(at("2022-06-01").model).toMatch(/2020/);
    expect(at("2060-01-01").outdated).toBe(true);
    expect(at("1950-01-01").outdated).toBe(true);
    expect(Math.abs(at("2022-06-01").declinationDeg)).toBeLessThan(2);
  });
});
