import { beamRatio, type SkyDiffuse } from "./sky-diffuse";

/** What a sky model needs of one moment; irradiances in W/m2. */
export interface SkyMoment {
  readonly ghiWm2: number;
  readonly dniWm2: number;
  readonly dhiWm2: number;
  readonly normalWm2: number;
  readonly cosIncidence: number;
  readonly cosZenith: number;
}

/**
 * Hay & Davies with a brighter horizon. `sinHalfTilt3` is sin^3(tilt / 2).
 * Source: Reindl, Beckman & Duffie, 1990, Evaluation of hourly tilted surface radiation models.
 */
export function reindl(sky: SkyMoment, skyViewFrac: number, sinHalfTilt3: number, out: SkyDiffuse): SkyDiffuse {
  const anisotropy = sky.dniWm2 / sky.normalWm2;
  const beamShare = sky.ghiWm2 > 0 ? Math.sqrt(Math.max(0, (sky.dniWm2 * sky.cosZenith) / sky.ghiWm2)) : 0;
  out.circumsolarWm2 = sky.dhiWm2 * anisotropy * beamRatio(sky.cosIncidence, sky.cosZenith);
  out.isotropicWm2 = sky.dhiWm2 * (1 - anisotropy) * skyViewFrac * (1 + beamShare * sinHalfTilt3);
  return out;
}
