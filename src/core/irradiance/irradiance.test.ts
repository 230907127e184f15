import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { referenceCases } from "../../../test/reference-vectors";
import { runSun } from "../sun";
import { degToRad } from "../units";
import { fillHorizontal, fillPlane, hayDavies, isotropicSky, type PlaneLight, perez, planeOf, reindl, type SkyDiffuse } from ".";

describe("beam and diffuse from GHI", () => {
  it("keep adding up to GHI when the beam is capped", () => {
    const sky = fc.record({ ghi: fc.double({ min: 0, max: 1400, noNaN: true }), up: fc.double({ min: 0.001, max: 1, noNaN: true }) });
    fc.assert(
      fc.property(sky, fc.constantFrom("erbs" as const, "disc" as const), ({ ghi, up }, model) => {
        const out = { ghiWm2: Float64Array.of(ghi), dniWm2: Float64Array.of(Number.NaN), dhiWm2: Float64Array.of(Number.NaN) };
        fillHorizontal(out, { up: Float64Array.of(up), extraterrestrialWm2: Float64Array.of(1361) }, model, 1, 1);
        expect(out.dniWm2[0]).toBeLessThanOrEqual(1361 + 1e-9);
        expect(out.dhiWm2[0]).toBeGreaterThanOrEqual(0);
        expect(out.dhiWm2[0]! + out.dniWm2[0]! * up).toBeCloseTo(ghi, 8);
      }),
    );
  });
});

interface PlaneIn {
  zenithDeg: number;
  sunAzimuthDeg: number;
  tiltDeg: number;
  surfaceAzimuthDeg: number;
  ghiWm2: number;
  dniWm2: number;
  dhiWm2: number;
  extraterrestrialNormalWm2: number;
  relativeAirmass: number | null;
  albedo: number;
}

const lightOf = (input: PlaneIn): PlaneLight => {
  const zenith = degToRad(input.zenithDeg);
  const azimuth = degToRad(input.sunAzimuthDeg);
  const of = (value: number) => Float64Array.of(value);
  return {
    east: of(Math.sin(zenith) * Math.sin(azimuth)),
    north: of(Math.sin(zenith) * Math.cos(azimuth)),
    up: of(input.zenithDeg === 90 ? 0 : Math.cos(zenith)),
    extraterrestrialWm2: of(input.extraterrestrialNormalWm2),
    ghiWm2: of(input.ghiWm2),
    dniWm2: of(input.dniWm2),
    dhiWm2: of(input.dhiWm2),
    albedo: of(input.albedo),
  };
};
const planeColumns = () => {
  const column = () => new Float64Array(1);
  return { cosIncidence: column(), directionalWm2: column(), skyWm2: column(), groundWm2: column() };
};

describe("the tilted plane", () => {
  it("is filled by Hay & Davies as the law says", () => {
    for (const { id, input } of referenceCases<PlaneIn, object>("transposition")) {
      const plane = planeOf(input.tiltDeg, input.surfaceAzimuthDeg);
      const light = lightOf(input);
      const out = fillPlane(light, plane, "hay-davies", 1, planeColumns());
      const { dhiWm2, dniWm2, extraterrestrialNormalWm2: normal } = input;
      const law = hayDavies(dhiWm2, dniWm2, normal, out.cosIncidence[0]!, light.up[0]!, plane.skyViewFrac, {
        isotropicWm2: 0,
        circumsolarWm2: 0,
      });
      expect(out.skyWm2[0], id).toBeCloseTo(law.isotropicWm2, 9);
    }
  });

  it("receives DHI when it lies flat and the sun is clear of the horizon, by every model", () => {
    const irradiance = fc.record({
      dhiWm2: fc.double({ min: 0, max: 500, noNaN: true }),
      dniWm2: fc.double({ min: 0, max: 1000, noNaN: true }),
      cosZenith: fc.double({ min: 0.1, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(irradiance, ({ dhiWm2, dniWm2, cosZenith }) => {
        const sky = { dhiWm2, dniWm2, cosZenith, cosIncidence: cosZenith, ghiWm2: dhiWm2 + dniWm2 * cosZenith, normalWm2: 1361 };
        const out: SkyDiffuse = { isotropicWm2: 0, circumsolarWm2: 0 };
        const sum = (part: SkyDiffuse) => part.isotropicWm2 + part.circumsolarWm2;
        expect(sum(isotropicSky(dhiWm2, 1, out))).toBeCloseTo(dhiWm2, 8);
        expect(sum(hayDavies(dhiWm2, dniWm2, 1361, cosZenith, cosZenith, 1, out))).toBeCloseTo(dhiWm2, 8);
        expect(sum(reindl(sky, 1, 0, out))).toBeCloseTo(dhiWm2, 8);
        expect(sum(perez(sky, 1 / cosZenith, 1, 0, out))).toBeCloseTo(dhiWm2, 8);
      }),
    );
  });

  it("gets the same light east and west of solar noon", () => {
    for (const model of ["isotropic", "hay-davies", "reindl", "perez"] as const) {
      const at = (sunAzimuthDeg: number, surfaceAzimuthDeg: number) => {
        const input = {
          zenithDeg: 50,
          ghiWm2: 500,
          dniWm2: 550,
          dhiWm2: 146.5,
          extraterrestrialNormalWm2: 1361,
          relativeAirmass: 1.55,
          albedo: 0.2,
        };
        const plane = planeOf(40, surfaceAzimuthDeg);
        const out = fillPlane(lightOf({ ...input, tiltDeg: 40, sunAzimuthDeg, surfaceAzimuthDeg }), plane, model, 1, planeColumns());
        return out.directionalWm2[0]! + out.skyWm2[0]! + out.groundWm2[0]!;
      };
      expect(at(120, 150), model).toBeCloseTo(at(240, 210), 9);
    }
  });
});

describe("fillHorizontal", () => {
  const axis = { startUtcMs: Date.UTC(2023, 5, 21, 11), stepMinutes: 60, count: 1 };
  const sun = runSun(axis, { latitudeDeg: 40, longitudeDeg: 0 });
  const fill = (ghi: number, dni: number, dhi: number) =>
    fillHorizontal({ ghiWm2: Float64Array.of(ghi), dniWm2: Float64Array.of(dni), dhiWm2: Float64Array.of(dhi) }, sun, "erbs", 1, 1);

  it("takes a missing DHI, DNI or GHI from closure", () => {
    const up = sun.up[0]!;
    expect(fill(800, 700, Number.NaN).dhiWm2[0]).toBeCloseTo(800 - 700 * up, 9);
    expect(fill(800, Number.NaN, 200).dniWm2[0]).toBeCloseTo(600 / up, 9);
    expect(fill(Number.NaN, 700, 100).ghiWm2[0]).toBeCloseTo(100 + 700 * up, 9);
  });

  it("leaves a missing GHI missing", () => {
    expect(fill(Number.NaN, Number.NaN, Number.NaN).dhiWm2[0]).toBeNaN();
  });
});
