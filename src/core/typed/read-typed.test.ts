import { describe, expect, it } from "vitest";
import { readTyped, type TypedField, type TypedRefusal } from ".";

const field = (unit: string | null, more: Partial<TypedField> = {}): TypedField => ({ unit, decimalMark: ".", ...more });
const value = (text: string, of: TypedField): number | null => {
  const read = readTyped(text, of);
  return read.kind === "value" ? read.value : null;
};
const refusal = (text: string, of: TypedField): TypedRefusal["reason"] | null => {
  const read = readTyped(text, of);
  return read.kind === "refused" ? read.refusal.reason : null;
};
const azimuth = field("°", { angle: "azimuth" });
const tilt = field("°", { angle: "tilt", min: 0, max: 90 });
const latitude = field("°", { angle: "latitude", min: -90, max: 90 });
const longitude = field("°", { angle: "longitude", min: -180, max: 180 });

describe("what is typed into a number field", () => {
  it.each([
    ["4900 ft", field("m"), 1493.52],
    ["4,900 ft", field("m"), 1493.52],
    ["50'", field("m"), 15.24],
    [`5' 6"`, field("m"), 1.6764],
    ["6 1/2 ft", field("m"), 1.9812],
    ["½ m", field("m"), 0.5],
    ["120 cm", field("m"), 1.2],
    ["12 m", field("ft"), 39.370_08],
    ["-20 F", field("°C"), -28.8889],
    ["\u221220 °F", field("°C"), -28.8889],
    ["300 K", field("°C"), 26.85],
    ["10 °F", field("K"), 5.5556],
    ["20 °C", field("°F"), 68],
    ["6 AWG", field("mm²"), 13.3],
    ["2/0 AWG", field("mm²"), 67.43],
    ["120 Ah at 12 V", field("kWh"), 1.44],
    ["6 kW", field("W"), 6000],
    ["410 Wp", field("W"), 410],
    ["2.5 MWh", field("kWh"), 2500],
    ["18 months", field("years"), 1.5],
    ["90 min", field("h"), 1.5],
    ["-0.35 %/°C", field("%/K"), -0.35],
    ["1'234.5", field("kWh"), 1234.5],
    ["1.234,5", field("kWh"), 1234.5],
    ["10 482", field("kWh"), 10_482],
    ["€ 1,200", field("EUR"), 1200],
    ["1200 eur", field("EUR"), 1200],
    ["$1,200", field("AUD"), 1200],
    ["20 sq ft", field("m²"), 1.858],
    ["15 mph", field("m/s"), 6.7056],
  ])("%s in a field of %j", (text, of, expected) => {
    expect(value(text, of)).toBeCloseTo(expected, 3);
  });

  it.each([
    ["S", azimuth, 180],
    ["south-east", azimuth, 135],
    ["NNW", azimuth, 337.5],
    ["S 20 E", azimuth, 160],
    ["20° west of south", azimuth, 200],
    ["10 E of N", azimuth, 10],
    ["250 W", azimuth, 250],
    ["360", azimuth, 0],
    ["-90", azimuth, 270],
    ["105°", azimuth, 105],
    ["31 S", latitude, -31],
    [`31° 30' 36" S`, latitude, -31.51],
    ["N 48.2", latitude, 48.2],
    ["105 W", longitude, -105],
    ["4.5 east", longitude, 4.5],
    ["4/12", tilt, 18.43],
    ["4 in 12", tilt, 18.43],
    ["30 %", tilt, 16.7],
  ])("the angle %s", (text, of, expected) => {
    expect(value(text, of)).toBeCloseTo(expected, 2);
  });

  it.each([
    ["105 W", azimuth, "wrong-side"],
    ["31 S", longitude, "wrong-side"],
    ["-31 S", latitude, "wrong-side"],
    ["95", latitude, "out-of-range"],
    ["400", azimuth, "out-of-range"],
    ["105 W", field("m"), "other-quantity"],
    ["12 V", field("A"), "other-quantity"],
    ["6 AWG", field("m"), "other-quantity"],
    ["2 kW an hour", field("kWh"), "power-or-energy"],
    ["2 kW/h", field("kW"), "power-or-energy"],
    ["120 Ah", field("kWh"), "needs-volts"],
    ["lots", field("kWh"), "no-number"],
    ["12 bananas", field("m"), "unknown-unit"],
    ["12 $", field("EUR"), "no-number"],
    ["2.5", field(null, { isWhole: true }), "not-whole"],
    ["91", tilt, "out-of-range"],
    ["0x10", field("m"), "no-number"],
    ["1/0", field("m"), "no-number"],
    ["Infinity", field("m"), "no-number"],
    ["9".repeat(60), field("m"), "no-number"],
  ])("%s in %j is not taken", (text, of, reason) => {
    expect(refusal(text, of)).toBe(reason);
  });

  it("takes 1,234 by the reader's own decimal mark", () => {
    expect(value("1,234", field("kWh"))).toBe(1234);
    expect(value("1,234", field("kWh", { decimalMark: "," }))).toBe(1.234);
    expect(value("1.234", field("kWh", { decimalMark: "," }))).toBe(1234);
    expect(value("1.234", field("kWh"))).toBe(1.234);
  });

  it("says whether anything was converted", () => {
    expect(readTyped("12.5", field("m"))).toEqual({ kind: "value", value: 12.5, isPlain: true });
    expect(readTyped("12.5 m", field("m"))).toEqual({ kind: "value", value: 12.5, isPlain: false });
    expect(readTyped(" ", field("m"))).toEqual({ kind: "empty" });
  });
});
