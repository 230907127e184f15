import { beamRatio, type SkyDiffuse } from "./sky-diffuse";

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
  out.circumsolarWm2 = dhiWm2 * anisotropy * beamRatio(cosIncidence, cosZenith);
  out.isotropicWm2 = dhiWm2 * (1 - anisotropy) * skyViewFrac;
  return out;
}
