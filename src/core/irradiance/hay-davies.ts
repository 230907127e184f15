import type { SunColumns } from "../sun";
import type { Plane } from "./plane";

/** Floor of cos z (89 deg) under the beam ratio, so that the circumsolar part stays finite at the horizon. */
export const COS_ZENITH_FLOOR = 0.01745;

/** Sky diffuse on the plane, W/m2, apart: isotropic and circumsolar. */
export interface SkyDiffuse {
  isotropicWm2: number;
  circumsolarWm2: number;
}

/**
 * Diffuse from the sky on a tilted plane: a circumsolar share (the beam's transmittance) comes from the sun's direction, the rest evenly.
 * Source: Hay & Davies, 1980, Calculation of the solar radiation incident on an inclined surface.
 */
export function hayDavies(
  dhiWm2: number,
  dniWm2: number,
  normalWm2: number,
  cosIncidence: number,
  cosZenith: number,
  skyViewFrac: number,
  out: SkyDiffuse,
): SkyDiffuse {
  const anisotropy = dniWm2 / normalWm2;
  const beamRatio = Math.max(cosIncidence, 0) / Math.max(cosZenith, COS_ZENITH_FLOOR);
  out.circumsolarWm2 = dhiWm2 * anisotropy * beamRatio;
  out.isotropicWm2 = dhiWm2 * (1 - anisotropy) * skyViewFrac;
  return out;
}

export interface HorizontalColumns {
  readonly ghiWm2: Float64Array;
  readonly dniWm2: Float64Array;
  readonly dhiWm2: Float64Array;
}

/** In-plane irradiance by where it comes from, W/m2. `directional` is beam and circumsolar, which arrive at the angle of incidence. */
export interface PlaneColumns {
  readonly cosIncidence: Float64Array;
  readonly directionalWm2: Float64Array;
  readonly skyWm2: Float64Array;
  readonly groundWm2: Float64Array;
}

/** Intervals [from, to) of the in-plane columns by Hay & Davies; ground reflection isotropic (Liu & Jordan, 1963). NaN in, NaN out. */
export function fillHayDavies(
  sky: HorizontalColumns,
  sun: SunColumns,
  plane: Plane,
  albedo: number,
  from: number,
  to: number,
  out: PlaneColumns,
): PlaneColumns {
  const part: SkyDiffuse = { isotropicWm2: 0, circumsolarWm2: 0 };
  for (let i = from; i < to; i++) {
    const up = sun.up[i]!;
    const cosIncidence = plane.east * sun.east[i]! + plane.north * sun.north[i]! + plane.up * up;
    const dni = sky.dniWm2[i]!;
    const beam = up > 0 ? dni * Math.max(cosIncidence, 0) : 0;
    hayDavies(sky.dhiWm2[i]!, dni, sun.extraterrestrialWm2[i]!, cosIncidence, up, plane.skyViewFrac, part);
    out.cosIncidence[i] = cosIncidence;
    out.directionalWm2[i] = beam + part.circumsolarWm2;
    out.skyWm2[i] = part.isotropicWm2;
    out.groundWm2[i] = sky.ghiWm2[i]! * albedo * plane.groundViewFrac;
  }
  return out;
}
