import type { Plane } from "../irradiance";
import { STC_POA_WM2 } from "../units";
import type { Block } from "./block";

/** Share of the ground under an open rack that the sun reaches, and of the rear that the rack leaves free. Source: middle of the layouts in Deline et al., 2016, Evaluation and field assessment of bifacial photovoltaic module power rating methodologies. */
const GROUND_LIT_FRAC = 0.7;
const REAR_FREE_FRAC = 0.95;

/**
 * Adds the power of light on the rear of two-sided modules on an open rack: ground and sky by the view factors of the rear side.
 * Returns the sum as a negative loss, W. Source: view factors of Liu & Jordan, 1963, for the plane turned over.
 */
export function fillRearLight(block: Block, plane: Plane, ratedW: number, bifacialityFrac: number, count: number): number {
  const { ghiWm2, dhiWm2, albedo, arrayW } = block;
  const perWm2 = (ratedW * bifacialityFrac * REAR_FREE_FRAC) / STC_POA_WM2;
  const fromGround = plane.skyViewFrac * GROUND_LIT_FRAC;
  const fromSky = plane.groundViewFrac;
  let gained = 0;
  for (let i = 0; i < count; i++) {
    const more = perWm2 * (ghiWm2[i]! * albedo[i]! * fromGround + dhiWm2[i]! * fromSky);
    if (!(more > 0)) continue;
    arrayW[i] = arrayW[i]! + more;
    gained += more;
  }
  return -gained;
}
