import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { monthBins } from "../time";
import { usualAirC, weatherFromMeans } from "../weather";
import { ownMeterSun, runYield } from ".";

const TOWN = { latitudeDeg: 48, longitudeDeg: 11, timeZone: "Europe/Berlin", elevationM: 450 };
const GHI = [31, 50, 92, 129, 161, 170, 173, 146, 102, 60, 33, 24];
const roof = site({ place: TOWN });
const { axis, ghiWm2 } = weatherFromMeans({ ghiKwhM2: GHI, airTempC: GHI.map(() => 10) }, 2023, TOWN);
const bins = monthBins(axis, TOWN.timeZone);
const metered = [
  ...runYield(roof, { axis, ghiWm2, dniWm2: null, dhiWm2: null, poaWm2: null, airTempC: usualAirC(axis, TOWN), windSpeedMs: null }, bins)
    .expectedByBinKwh,
];

describe("sun by the book's own meter", () => {
  it("is the light in which the plant gives what was counted", () => {
    const made = ownMeterSun(roof, metered, 2023);
    for (const [m, kwh] of made.entries()) expect(kwh! / GHI[m]!).toBeCloseTo(1, 2);
  });

  it("of a plant that gives a tenth less is as much dimmer: it says nothing of how well the plant does", () => {
    const made = ownMeterSun(
      roof,
      metered.map((kwh) => kwh * 0.9),
      2023,
    );
    expect(made[5]! / GHI[5]!).toBeLessThan(0.93);
    expect(made[5]! / GHI[5]!).toBeGreaterThan(0.87);
  });

  it("is left open where a month was not counted, or no sky makes so much", () => {
    const made = ownMeterSun(
      roof,
      metered.map((kwh, m) => (m === 2 ? null : m === 6 ? kwh * 3 : kwh)),
      2023,
    );
    expect([made[2], made[6]]).toEqual([null, null]);
    expect(made[7]! / GHI[7]!).toBeCloseTo(1, 2);
  });
});
