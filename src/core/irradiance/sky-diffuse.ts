/** Floor of cos z (89 deg) under the beam ratio, so that the circumsolar part stays finite at the horizon. */
export const COS_ZENITH_FLOOR = 0.01745;

/** Sky diffuse on the plane, W/m2, apart: what comes from all over (with the horizon band), and what comes from around the sun. */
export interface SkyDiffuse {
  isotropicWm2: number;
  circumsolarWm2: number;
}

/** Ratio of the beam on the plane to the beam on the horizontal. */
export const beamRatio = (cosIncidence: number, cosZenith: number): number =>
  Math.max(cosIncidence, 0) / Math.max(cosZenith, COS_ZENITH_FLOOR);
