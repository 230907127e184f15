import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { expectNear, referenceCases } from "../../../test/reference-vectors";
import { runSun } from "../sun";
import { degToRad } from "../units";
import { erbs, erbsDiffuseFrac, fillHayDavies, fillHorizontal, hayDavies, planeOf } from ".";

interface SplitIn {
  ghiWm2: number;
  zenithDeg: number;
  extraterrestrialNormalWm2: number;
}
interface SplitOut {
  clearnessIndex: number | null;
  erbsDiffuseFraction: number | null;
  erbsDhiWm2: number;
  erbsDniWm2: number;
}

describe("erbs", () => {
  it("agrees with the vectors", () => {
    for (const { id, input, expected } of referenceCases<SplitIn, SplitOut>("decomposition")) {
      const cosZenith = Math.cos(degToRad(input.zenithDeg));
      const got = erbs(input.ghiWm2, input.zenithDeg >= 90 ? 0 : cosZenith, input.extraterrestrialNormalWm2, { dniWm2: 0, dhiWm2: 0 });
      expectNear(got.dniWm2, expected.erbsDniWm2, { absolute: 0.01, relative: 1e-6 }, `${id} DNI`);
      expectNear(got.dhiWm2, expected.erbsDhiWm2, { absolute: 0.01, relative: 1e-6 }, `${id} DHI`);
      if (expected.clearnessIndex !== null && expected.erbsDiffuseFraction !== null) {
        expectNear(erbsDiffuseFrac(expected.clearnessIndex), expected.erbsDiffuseFraction, { relative: 1e-6 }, `${id} fraction`);
      }
    }
  });

  it("keeps beam and diffuse adding up to GHI when the beam is capped", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1400, noNaN: true }), fc.double({ min: 0.001, max: 1, noNaN: true }), (ghi, cosZenith) => {
        const split = erbs(ghi, cosZenith, 1361, { dniWm2: 0, dhiWm2: 0 }, 1361);
        expect(split.dniWm2).toBeLessThanOrEqual(1361);
        expect(split.dhiWm2 + split.dniWm2 * cosZenith).toBeCloseTo(ghi, 8);
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
  albedo: number;
}
interface PlaneOut {
  cosAoi: number;
  beamWm2: number;
  groundWm2: number;
  hayDaviesSkyWm2: number;
  hayDaviesPoaWm2: number;
}

describe("the tilted plane", () => {
  it("agrees with the vectors for beam, ground and Hay & Davies", () => {
    for (const { id, input, expected } of referenceCases<PlaneIn, PlaneOut>("transposition")) {
      const zenith = degToRad(input.zenithDeg);
      const azimuth = degToRad(input.sunAzimuthDeg);
      const sun = {
        east: Float64Array.of(Math.sin(zenith) * Math.sin(azimuth)),
        north: Float64Array.of(Math.sin(zenith) * Math.cos(azimuth)),
        up: Float64Array.of(Math.cos(zenith)),
        extraterrestrialWm2: Float64Array.of(input.extraterrestrialNormalWm2),
      };
      const column = () => new Float64Array(1);
      const out = { cosIncidence: column(), directionalWm2: column(), skyWm2: column(), groundWm2: column() };
      const sky = { ghiWm2: Float64Array.of(input.ghiWm2), dniWm2: Float64Array.of(input.dniWm2), dhiWm2: Float64Array.of(input.dhiWm2) };
      fillHayDavies(sky, sun, planeOf(input.tiltDeg, input.surfaceAzimuthDeg), input.albedo, 0, 1, out);
      const near = { absolute: 0.01, relative: 1e-6 };
      expectNear(out.cosIncidence[0]!, expected.cosAoi, { absolute: 1e-7 }, `${id} cos incidence`);
      expectNear(out.groundWm2[0]!, expected.groundWm2, near, `${id} ground`);
      const diffuse = out.directionalWm2[0]! - expected.beamWm2 + out.skyWm2[0]!;
      expectNear(diffuse, expected.hayDaviesSkyWm2, near, `${id} sky`);
      expectNear(out.directionalWm2[0]! + out.skyWm2[0]! + out.groundWm2[0]!, expected.hayDaviesPoaWm2, near, `${id} in-plane`);
    }
  });

  it("receives GHI when it lies flat and the sun is clear of the horizon", () => {
    const irradiance = fc.record({
      dhi: fc.double({ min: 0, max: 500, noNaN: true }),
      dni: fc.double({ min: 0, max: 1000, noNaN: true }),
      cosZenith: fc.double({ min: 0.02, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(irradiance, ({ dhi, dni, cosZenith }) => {
        const sky = hayDavies(dhi, dni, 1361, cosZenith, cosZenith, 1, { isotropicWm2: 0, circumsolarWm2: 0 });
        expect(sky.isotropicWm2 + sky.circumsolarWm2).toBeCloseTo(dhi, 8);
      }),
    );
  });
});

describe("fillHorizontal", () => {
  const axis = { startUtcMs: Date.UTC(2023, 5, 21, 11), stepMinutes: 60, count: 1 };
  const sun = runSun(axis, { latitudeDeg: 40, longitudeDeg: 0 });
  const columns = () => ({ ghiWm2: new Float64Array(1), dniWm2: new Float64Array(1), dhiWm2: new Float64Array(1) });

  it("takes a missing DHI, DNI or GHI from closure", () => {
    const up = sun.up[0]!;
    const of = (value: number) => Float64Array.of(value);
    const noDhi = fillHorizontal({ ghiWm2: of(800), dniWm2: of(700), dhiWm2: null }, sun, columns());
    expect(noDhi.dhiWm2[0]).toBeCloseTo(800 - 700 * up, 9);
    const noDni = fillHorizontal({ ghiWm2: of(800), dniWm2: null, dhiWm2: of(200) }, sun, columns());
    expect(noDni.dniWm2[0]).toBeCloseTo(600 / up, 9);
    const noGhi = fillHorizontal({ ghiWm2: null, dniWm2: of(700), dhiWm2: of(100) }, sun, columns());
    expect(noGhi.ghiWm2[0]).toBeCloseTo(100 + 700 * up, 9);
  });

  it("leaves a missing GHI missing", () => {
    const out = fillHorizontal({ ghiWm2: Float64Array.of(Number.NaN), dniWm2: null, dhiWm2: null }, sun, columns());
    expect(out.dhiWm2[0]).toBeNaN();
  });
});
