import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fillLinearSky, fillPlane, type PlaneLight, planeOf, type TranspositionModel, tiltWeight } from ".";

/** A possible moment: the sun clear of the horizon, beam and diffuse of any share. */
const moment = fc.record({
  zenithDeg: fc.double({ min: 1, max: 84, noNaN: true }),
  sunAzimuthDeg: fc.double({ min: 0, max: 359, noNaN: true }),
  dniWm2: fc.double({ min: 0, max: 950, noNaN: true }),
  dhiWm2: fc.double({ min: 5, max: 450, noNaN: true }),
  tiltDeg: fc.integer({ min: 0, max: 90 }),
  azimuthDeg: fc.integer({ min: 0, max: 359 }),
});

function lightOf({
  zenithDeg,
  sunAzimuthDeg,
  dniWm2,
  dhiWm2,
}: {
  zenithDeg: number;
  sunAzimuthDeg: number;
  dniWm2: number;
  dhiWm2: number;
}): PlaneLight {
  const [zenith, azimuth] = [(zenithDeg * Math.PI) / 180, (sunAzimuthDeg * Math.PI) / 180];
  const of = (value: number) => Float64Array.of(value);
  return {
    east: of(Math.sin(zenith) * Math.sin(azimuth)),
    north: of(Math.sin(zenith) * Math.cos(azimuth)),
    up: of(Math.cos(zenith)),
    extraterrestrialWm2: of(1361),
    ghiWm2: of(dhiWm2 + dniWm2 * Math.cos(zenith)),
    dniWm2: of(dniWm2),
    dhiWm2: of(dhiWm2),
    albedo: of(0.2),
  };
}

describe("a sky split before any plane is known", () => {
  for (const model of ["isotropic", "hay-davies", "reindl", "perez"] as const satisfies readonly TranspositionModel[]) {
    it(`gives each plane what ${model} gives it`, () => {
      fc.assert(
        fc.property(moment, (m) => {
          const light = lightOf(m);
          const plane = planeOf(m.tiltDeg, m.azimuthDeg);
          const column = () => new Float64Array(1);
          const whole = { cosIncidence: column(), directionalWm2: column(), skyWm2: column(), groundWm2: column() };
          fillPlane(light, plane, model, 1, whole);
          const parts = { directionalWm2: column(), skyWm2: column(), tiltedWm2: column() };
          fillLinearSky(model, light, 1, parts);
          const facing = Math.max(0, whole.cosIncidence[0]!);
          const split =
            parts.directionalWm2[0]! * facing + parts.skyWm2[0]! * plane.skyViewFrac + parts.tiltedWm2[0]! * tiltWeight(model, plane);
          const law = whole.directionalWm2[0]! + whole.skyWm2[0]!;
          // Where the horizon is so dark that the law floors the even light at none, only the law is held to it.
          if (whole.skyWm2[0]! > 0) expect(Math.abs(split - law)).toBeLessThanOrEqual(1e-9 * (1 + law));
          else expect(split).toBeLessThanOrEqual(law + 1e-9);
        }),
        { numRuns: 200 },
      );
    });
  }
});
