import { COS_ZENITH_FLOOR, type RearView, rearView, shadowedGroundFrac } from "../irradiance";
import { IAM_STEPS, type PlaneReflection, planeReflection, type ReflectionModel } from "../module";
import { beamRetainedFrac, type ShadeScene } from "../shading";
import { type PvArray, rowsOf, type Site } from "../site";
import { degToRad, STC_POA_WM2 } from "../units";
import type { Block } from "./block";

/** Light behind that beams, purlins and boxes leave. Source: Deline, MacAlpine, Marion et al., 2016, Evaluation and field assessment of bifacial photovoltaic module power rating methodologies. */
export const REAR_FREE_FRAC = 0.95;
/** Of light from the ground, what cells that are not lit alike leave; beam and sky reach all alike. Source: Deline, Ayala Pelaez, MacAlpine & Olalla, 2020, Estimating and parameterizing mismatch power loss in bifacial photovoltaic systems. */
export const REAR_EVEN_FRAC = 0.9;
/** The rear of an array of two-sided modules on an open rack, ready to run. */
export interface RearPlan {
  readonly view: RearView;
  readonly reflection: PlaneReflection;
  readonly shade: ShadeScene | null;
  /** Unit vector along which the front faces over the ground. */
  readonly frontEast: number;
  readonly frontNorth: number;
  /** Power for one W/m2 of light behind, W: rating, bifaciality, structure. */
  readonly wattPerWm2: number;
  /** What one W/m2 behind does to the cells as light in front would. */
  readonly bifacialityFrac: number;
}

/** Null where nothing is behind: modules of one side, or a roof. */
export function rearPlan(site: Site, array: PvArray, ratedW: number, shade: ShadeScene | null): RearPlan | null {
  const { bifacialityFrac } = site.modules[array.module]!;
  if (!(bifacialityFrac > 0) || array.mounting !== "open-rack") return null;
  const azimuth = degToRad(array.azimuthDeg);
  return {
    view: rearView(rowsOf(site, array)),
    reflection: rearReflection(site.models.reflection, array.tiltDeg),
    shade,
    frontEast: Math.sin(azimuth),
    frontNorth: Math.cos(azimuth),
    wattPerWm2: (ratedW * bifacialityFrac * REAR_FREE_FRAC) / STC_POA_WM2,
    bifacialityFrac,
  };
}

const rearReflection = (model: ReflectionModel, tiltDeg: number): PlaneReflection => planeReflection(model, 180 - tiltDeg);

/**
 * Adds the power of light on the rear: a plane of its own with beam and circumsolar, sky past the row behind, and ground with the shadow
 * of the rows, each by its angle on the glass. The light that heats the cells grows by it. Returns the sum as a negative loss, W.
 * Source: Hay & Davies, 1980, for the sky; Marion et al., 2017, for rows and ground; IEC TS 60904-1-2:2019 for what it is worth. `month` 0 to 11.
 */
export function fillRearLight(block: Block, plan: RearPlan, month: number, count: number): number {
  const { ghiWm2, dniWm2, dhiWm2, extraterrestrialWm2, albedo, cosIncidence, poaWm2, arrayW } = block;
  const { view, reflection, shade, frontEast, frontNorth, wattPerWm2, bifacialityFrac } = plan;
  const { table, skyFrac, groundFrac } = reflection;
  const sky = view.skyFrac * skyFrac;
  const fromGround = groundFrac * REAR_EVEN_FRAC;
  let gained = 0;
  for (let i = 0; i < count; i++) {
    const up = block.up[i]!;
    const dhi = dhiWm2[i]!;
    const anisotropy = dniWm2[i]! / extraterrestrialWm2[i]!;
    const even = dhi * (1 - anisotropy);
    let light = even * sky;
    // The plane turned over: its incidence is the front's, negated.
    const cosine = -cosIncidence[i]!;
    if (cosine > 0) {
      const place = Math.min(cosine, 1) * IAM_STEPS;
      const k = place | 0;
      const modifier = table[k]! + (table[k + 1]! - table[k]!) * (place - k);
      const toward = { east: block.east[i]!, north: block.north[i]!, up };
      const through = shade && up > 0 ? beamRetainedFrac(shade, toward, month) : 1;
      const beam = up > 0 ? dniWm2[i]! : 0;
      light += (beam + (dhi * anisotropy) / Math.max(up, COS_ZENITH_FLOOR)) * cosine * modifier * through;
    }
    const direct = Math.max(0, ghiWm2[i]! - even);
    const lit =
      direct > 0 && up > 0
        ? view.groundFrac - shadowedGroundFrac(view, (frontEast * block.east[i]! + frontNorth * block.north[i]!) / up)
        : 0;
    light += albedo[i]! * fromGround * (even * view.groundDiffuseFrac + direct * lit);
    const more = wattPerWm2 * light;
    if (!(more > 0)) continue;
    arrayW[i] = arrayW[i]! + more;
    poaWm2[i] = poaWm2[i]! + light * bifacialityFrac;
    gained += more;
  }
  return -gained;
}
