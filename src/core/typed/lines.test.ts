import { describe, expect, it } from "vitest";
import { plantOfLine, spotOf } from ".";

const NOTHING = {
  count: null,
  moduleW: null,
  nameplateW: null,
  tiltDeg: null,
  azimuthDeg: null,
  mounting: null,
  moduleAreaM2: null,
  efficiencyFrac: null,
};

describe("a plant in one line", () => {
  it("is read as people say it", () => {
    expect(plantOfLine("18 × 410 W, 30° south, 6 kW inverter", ".")).toEqual({
      roofs: [{ ...NOTHING, count: 18, moduleW: 410, tiltDeg: 30, azimuthDeg: 180 }],
      inverter: { acRatedW: 6000, devices: 1, perModule: false },
      chargeController: null,
      battery: null,
      hasNoInverter: false,
      unread: [],
    });
  });

  it.each([
    ["18x410W 30 deg S", { count: 18, moduleW: 410, tiltDeg: 30, azimuthDeg: 180 }],
    ["18 modules of 0.41 kW facing 200°, tilt 4 in 12", { count: 18, moduleW: 410, tiltDeg: 18.43, azimuthDeg: 200 }],
    ["7.4 kWp south-east 35°", { nameplateW: 7400, tiltDeg: 35, azimuthDeg: 135 }],
    ["20 panels 330 W flat", { count: 20, moduleW: 330, tiltDeg: 0 }],
    ["10 x 385 Wp, 20° east of south, 25°", { count: 10, moduleW: 385, azimuthDeg: 160, tiltDeg: 25 }],
    ["12 × 400 W upright, west, fence", { count: 12, moduleW: 400, tiltDeg: 90, azimuthDeg: 270 }],
    ["6 × 100 W in-roof, 10° N", { count: 6, moduleW: 100, mounting: "building-integrated", tiltDeg: 10, azimuthDeg: 0 }],
    ["24 x 400 W on the ground, 30° south", { count: 24, moduleW: 400, mounting: "open-rack", tiltDeg: 30, azimuthDeg: 180 }],
    [
      "18 × 370 W of 1.9 m² and 21 %, 30° south",
      { count: 18, moduleW: 370, moduleAreaM2: 1.9, efficiencyFrac: 0.21, tiltDeg: 30, azimuthDeg: 180 },
    ],
  ])("%s", (text, expected) => {
    const { roofs, unread } = plantOfLine(text, ".");
    expect(unread).toEqual([]);
    const [roof] = roofs;
    for (const [key, value] of Object.entries(expected)) {
      const read = roof![key as keyof typeof roof];
      if (typeof value === "number") expect(read, key).toBeCloseTo(value, 1);
      else expect(read, key).toBe(value);
    }
  });

  it("may have several roofs, and inverters of many kinds", () => {
    const two = plantOfLine("10 × 410 W 15° east; 8 × 410 W 15° west, 2 × 3.6 kW inverters", ".");
    expect(two.roofs.map(({ azimuthDeg, count }) => [azimuthDeg, count])).toEqual([
      [90, 10],
      [270, 8],
    ]);
    expect(two.inverter).toEqual({ acRatedW: 3600, devices: 2, perModule: false });
    expect(plantOfLine("12 × 400 W south 20°, microinverters 300 W", ".").inverter).toEqual({ acRatedW: 300, devices: 1, perModule: true });
    expect(plantOfLine("4 × 100 W flat, charge controller", ".")).toMatchObject({ hasNoInverter: true, inverter: null, unread: [] });
  });

  it.each([
    ["4 × 100 W flat, 30 A charge controller, 120 Ah at 12 V", 30, { kind: null, capacityKwh: 1.44, voltageV: 12 }],
    ["2 x 395 W 60° south, MPPT controller of 60 A, 24 V 200 Ah AGM battery", 60, { kind: "lead", capacityKwh: 4.8, voltageV: 24 }],
    [
      "1.2 kWp south 35°, off-grid, solar controller, 5.1 kWh lithium battery at 51.2 V",
      null,
      { kind: "lithium", capacityKwh: 5.1, voltageV: 51.2 },
    ],
    ["6 × 200 W flat, charge controller 40A; 2 × 100 Ah 12 V LiFePO4 batteries", 40, { kind: "lithium", capacityKwh: 2.4, voltageV: null }],
    ["10 × 410 W south, battery 10 kWh at 48 V, charge controller", null, { kind: null, capacityKwh: 10, voltageV: 48 }],
  ])("may charge a battery: %s", (line, maxA, battery) => {
    const read = plantOfLine(line, ".");
    expect(read).toMatchObject({ hasNoInverter: true, inverter: null, chargeController: { maxA }, battery });
    expect(read.roofs).toHaveLength(1);
  });

  it("keeps its inverter beside a battery, and takes no charge without volts for an energy", () => {
    const hybrid = plantOfLine("18 × 410 W, 30° south, 6 kW inverter, 10 kWh battery", ".");
    expect(hybrid).toMatchObject({
      hasNoInverter: false,
      inverter: { acRatedW: 6000 },
      chargeController: null,
      battery: { capacityKwh: 10 },
    });
    expect(hybrid.roofs).toMatchObject([{ count: 18, moduleW: 410, tiltDeg: 30, azimuthDeg: 180 }]);
    const open = plantOfLine("4 × 100 W flat, charge controller, 120 Ah", ".");
    expect([open.battery, open.unread]).toEqual([null, ["120", "ah"]]);
  });

  it("takes the reader's decimal mark, and names what it did not understand", () => {
    expect(plantOfLine("7,4 kWp 30° süd", ",")).toMatchObject({
      roofs: [{ nameplateW: 7400, tiltDeg: 30, azimuthDeg: null }],
      unread: ["süd"],
    });
    expect(plantOfLine("nine hundred fish", ".")).toMatchObject({ roofs: [], unread: ["nine", "hundred", "fish"] });
  });
});

describe("a place as it is typed or pasted", () => {
  it.each([
    ["47.2, 11.4", 47.2, 11.4],
    ["47,2 11,4", 47.2, 11.4],
    ["-33.9249;18.4241", -33.9249, 18.4241],
    ["31°57'S 115°51'E", -31.95, 115.85],
    ["N 47.2 W 11.4", 47.2, -11.4],
    ["47.2 north, 11.4 east", 47.2, 11.4],
    ["geo:48.201,16.366", 48.201, 16.366],
    ["https://map.test/@-12.0464,-77.0428,15z", -12.0464, -77.0428],
    ["https://map.test/?lat=47.2&lon=-11.4", 47.2, -11.4],
  ])("%s", (text, latitudeDeg, longitudeDeg) => {
    const spot = spotOf(text, ".")!;
    expect(spot.latitudeDeg).toBeCloseTo(latitudeDeg, 3);
    expect(spot.longitudeDeg).toBeCloseTo(longitudeDeg, 3);
  });

  it.each(["Harrow Dale", "95, 11", "47", "11.4 E 47.2 E", ""])("%j is none", (text) => {
    expect(spotOf(text, ".")).toBeNull();
  });
});
