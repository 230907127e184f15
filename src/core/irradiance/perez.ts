import type { SkyMoment } from "./reindl";
import type { SkyDiffuse } from "./sky-diffuse";

/** Upper bounds of the clearness bins. Source: Perez et al., 1990, table 1. */
const BINS = [1.065, 1.23, 1.5, 1.95, 2.8, 4.5, 6.2] as const;

/** F11, F12, F13, F21, F22, F23 by clearness bin, all sites composite. Source: Perez et al., 1990, table 6. */
const COEFFICIENTS = Float64Array.of(
  ...[-0.008, 0.588, -0.062, -0.06, 0.072, -0.022],
  ...[0.13, 0.683, -0.151, -0.019, 0.066, -0.029],
  ...[0.33, 0.487, -0.221, 0.055, -0.064, -0.026],
  ...[0.568, 0.187, -0.295, 0.109, -0.152, -0.014],
  ...[0.873, -0.392, -0.362, 0.226, -0.462, 0.001],
  ...[1.132, -1.237, -0.412, 0.288, -0.823, 0.056],
  ...[1.06, -1.6, -0.359, 0.264, -1.127, 0.131],
  ...[0.678, -0.327, -0.25, 0.156, -1.377, 0.251],
);
const KAPPA = 1.041;
const COS_85 = Math.cos((85 * Math.PI) / 180);

/** How much of the diffuse light comes from around the sun (F1) and from the horizon's band (F2, negative where it is dark). */
export interface PerezBrightness {
  circumsolar: number;
  horizon: number;
}

/** Brightness of one of eight kinds of sky; the sun must be up, with some diffuse light. Source: Perez et al., 1990, eq. 1 to 3 and 6, 7. */
export function perezBrightness(sky: SkyMoment, relativeAirMass: number, out: PerezBrightness): PerezBrightness {
  const { dhiWm2, dniWm2 } = sky;
  const zenith = Math.acos(Math.min(1, sky.cosZenith));
  const cubed = KAPPA * zenith * zenith * zenith;
  const epsilon = ((dhiWm2 + dniWm2) / dhiWm2 + cubed) / (1 + cubed);
  let bin = 0;
  while (bin < BINS.length && epsilon >= BINS[bin]!) bin++;
  const k = bin * 6;
  const delta = (dhiWm2 * relativeAirMass) / sky.normalWm2;
  out.circumsolar = Math.max(0, COEFFICIENTS[k]! + COEFFICIENTS[k + 1]! * delta + COEFFICIENTS[k + 2]! * zenith);
  out.horizon = COEFFICIENTS[k + 3]! + COEFFICIENTS[k + 4]! * delta + COEFFICIENTS[k + 5]! * zenith;
  return out;
}

/** Ratio of the beam on a plane to the beam on the horizontal, with the floor of the paper (85 deg). */
export const perezBeamRatio = (cosIncidence: number, cosZenith: number): number => Math.max(cosIncidence, 0) / Math.max(cosZenith, COS_85);

const brightness: PerezBrightness = { circumsolar: 0, horizon: 0 };

/**
 * Sky diffuse by circumsolar and horizon brightening; isotropic with the sun down. The horizon band counts with the even part.
 * `relativeAirMass` after Kasten & Young. Never below zero.
 * Source: Perez, Ineichen, Seals, Michalsky & Stewart, 1990, Modeling daylight availability and irradiance components from direct and global irradiance.
 */
export function perez(sky: SkyMoment, relativeAirMass: number, skyViewFrac: number, sinTilt: number, out: SkyDiffuse): SkyDiffuse {
  const { dhiWm2, cosZenith } = sky;
  if (!(cosZenith > 0) || !(dhiWm2 > 0)) {
    out.isotropicWm2 = dhiWm2 * skyViewFrac;
    out.circumsolarWm2 = 0;
    return out;
  }
  const { circumsolar, horizon } = perezBrightness(sky, relativeAirMass, brightness);
  const around = dhiWm2 * circumsolar * perezBeamRatio(sky.cosIncidence, cosZenith);
  const even = dhiWm2 * ((1 - circumsolar) * skyViewFrac + horizon * sinTilt);
  out.circumsolarWm2 = Math.max(0, around + Math.min(0, even));
  out.isotropicWm2 = Math.max(0, even);
  return out;
}
