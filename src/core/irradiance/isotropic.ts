import type { SkyDiffuse } from "./sky-diffuse";

/** Diffuse from an evenly bright sky, W/m2. Source: Liu & Jordan, 1963, The long-term average performance of flat-plate solar-energy collectors. */
export function isotropicSky(dhiWm2: number, skyViewFrac: number, out: SkyDiffuse): SkyDiffuse {
  out.isotropicWm2 = dhiWm2 * skyViewFrac;
  out.circumsolarWm2 = 0;
  return out;
}
