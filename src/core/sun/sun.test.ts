import { describe, expect, it } from "vitest";
import { expectNear, referenceCases } from "../../../test/reference-vectors";
import { degToRad } from "../units";
import { extraterrestrialWm2, fillSun, pressurePa, relativeAirMass, runSun, sunPosition } from ".";

interface PositionIn {
  timeUtc: string;
  latitudeDeg: number;
  longitudeDeg: number;
  altitudeM: number;
  pressurePa: number;
  airTempC: number;
}
interface PositionOut {
  trueZenithDeg: number;
  apparentZenithDeg: number;
  azimuthDeg: number;
  sunVectorEnu: [number, number, number];
  earthSunDistanceAu: number;
}

describe("sun position", () => {
  for (const { id, input, expected } of referenceCases<PositionIn, PositionOut>("solar-position")) {
    it(`${id} lies within 0.01 deg of the ephemeris`, () => {
      const got = sunPosition(Date.parse(input.timeUtc), input);
      expectNear(got.trueZenithDeg, expected.trueZenithDeg, { absolute: 0.01 }, "true zenith");
      expectNear(got.apparentZenithDeg, expected.apparentZenithDeg, { absolute: 0.01 }, "apparent zenith");
      const turn = Math.abs(((got.azimuthDeg - expected.azimuthDeg + 540) % 360) - 180);
      expect(turn).toBeLessThanOrEqual(0.01 / Math.sin(degToRad(expected.trueZenithDeg)));
      [got.vector.east, got.vector.north, got.vector.up].forEach((v, k) => {
        expectNear(v, expected.sunVectorEnu[k]!, { absolute: 2e-4 }, `vector ${k}`);
      });
      expectNear(got.distanceAu, expected.earthSunDistanceAu, { absolute: 1e-4 }, "distance");
    });
  }
});

interface AirMassIn {
  dayOfYear: number;
  solarConstantWm2: number;
  apparentZenithDeg: number;
  altitudeM: number;
}
interface AirMassOut {
  extraterrestrialNormalWm2: number;
  relativeAirmass: number | null;
  pressurePa: number;
}

describe("extraterrestrial irradiance and air mass", () => {
  it("agree with the vectors", () => {
    for (const { id, input, expected } of referenceCases<AirMassIn, AirMassOut>("extraterrestrial-airmass")) {
      const normal = extraterrestrialWm2(input.dayOfYear, input.solarConstantWm2);
      expectNear(normal, expected.extraterrestrialNormalWm2, { relative: 1e-6 }, `${id} normal`);
      expectNear(relativeAirMass(input.apparentZenithDeg), expected.relativeAirmass, { relative: 1e-6 }, `${id} air mass`);
      expectNear(pressurePa(input.altitudeM), expected.pressurePa, { relative: 5e-4 }, `${id} pressure`);
    }
  });
});

describe("the sun over a time axis", () => {
  const place = { latitudeDeg: 37.2, longitudeDeg: -2.6 };
  const axis = { startUtcMs: Date.UTC(2023, 2, 20), stepMinutes: 60, count: 48 };

  it("is taken at the middle of the interval away from the horizon", () => {
    const noon = runSun(axis, place);
    const single = sunPosition(axis.startUtcMs + 12.5 * 3_600_000, { ...place, pressurePa: 101_325, airTempC: 12 });
    // The yearly table interpolates exact positions: within 0.00003 deg of them.
    expect(noon.up[12]).toBeCloseTo(single.vector.up, 6);
    expect(noon.east[12]).toBeCloseTo(single.vector.east, 6);
  });

  it("is above the horizon in every interval that sunrise or sunset crosses", () => {
    const fine = runSun({ ...axis, stepMinutes: 1, count: 48 * 60 }, place);
    const coarse = runSun(axis, place);
    for (let hour = 0; hour < axis.count; hour++) {
      const lit = fine.up.slice(hour * 60, hour * 60 + 60).some((up) => up > 0.001);
      expect(coarse.up[hour]! > 0, `hour ${hour}`).toBe(lit);
    }
  });

  it("is a unit vector", () => {
    const sun = fillSun(axis, place, runSun(axis, place));
    for (let i = 0; i < axis.count; i++) expect(Math.hypot(sun.east[i]!, sun.north[i]!, sun.up[i]!)).toBeCloseTo(1, 8);
  });
});
