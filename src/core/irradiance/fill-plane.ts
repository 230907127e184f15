import { relativeAirMass } from "../sun";
import { radToDeg } from "../units";
import type { HorizontalColumns } from "./fill-horizontal";
import { perez } from "./perez";
import type { Plane } from "./plane";
import { reindl, type SkyMoment } from "./reindl";
import { COS_ZENITH_FLOOR, type SkyDiffuse } from "./sky-diffuse";

export type TranspositionModel = "hay-davies" | "isotropic" | "reindl" | "perez";

/** In-plane irradiance by where it comes from, W/m2. `directional` is beam and circumsolar, which arrive at the angle of incidence. */
export interface PlaneColumns {
  readonly cosIncidence: Float64Array;
  readonly directionalWm2: Float64Array;
  readonly skyWm2: Float64Array;
  readonly groundWm2: Float64Array;
}

/** Light and sun of the same moments: horizontal irradiance, the sun's direction, the ground's albedo. */
export interface PlaneLight extends HorizontalColumns {
  readonly east: Float64Array;
  readonly north: Float64Array;
  readonly up: Float64Array;
  readonly extraterrestrialWm2: Float64Array;
  readonly albedo: Float64Array;
}

/** The first `count` moments of the in-plane columns by a sky model; ground reflection isotropic (Liu & Jordan, 1963). NaN in, NaN out. */
export function fillPlane(light: PlaneLight, plane: Plane, model: TranspositionModel, count: number, out: PlaneColumns): PlaneColumns {
  fillIncidenceAndGround(light, plane, count, out);
  if (model === "hay-davies") return fillHayDavies(light, plane, count, out);
  if (model === "isotropic") return fillIsotropic(light, plane, count, out);
  return fillByMoment(light, plane, model, count, out);
}

function fillIncidenceAndGround(light: PlaneLight, plane: Plane, count: number, out: PlaneColumns): void {
  const { east, north, up, groundViewFrac } = plane;
  for (let i = 0; i < count; i++) {
    out.cosIncidence[i] = east * light.east[i]! + north * light.north[i]! + up * light.up[i]!;
    out.groundWm2[i] = light.ghiWm2[i]! * light.albedo[i]! * groundViewFrac;
  }
}

/** The law hayDavies, written into the loop: calls cost a third of the stage here (bench). */
function fillHayDavies(light: PlaneLight, plane: Plane, count: number, out: PlaneColumns): PlaneColumns {
  const { skyViewFrac } = plane;
  const { cosIncidence, directionalWm2, skyWm2 } = out;
  for (let i = 0; i < count; i++) {
    const up = light.up[i]!;
    const dni = light.dniWm2[i]!;
    const dhi = light.dhiWm2[i]!;
    const facing = Math.max(cosIncidence[i]!, 0);
    const anisotropy = dni / light.extraterrestrialWm2[i]!;
    const circumsolar = (dhi * anisotropy * facing) / Math.max(up, COS_ZENITH_FLOOR);
    directionalWm2[i] = up > 0 ? dni * facing + circumsolar : circumsolar;
    skyWm2[i] = dhi * (1 - anisotropy) * skyViewFrac;
  }
  return out;
}

function fillIsotropic(light: PlaneLight, plane: Plane, count: number, out: PlaneColumns): PlaneColumns {
  for (let i = 0; i < count; i++) {
    const facing = Math.max(out.cosIncidence[i]!, 0);
    out.directionalWm2[i] = light.up[i]! > 0 ? light.dniWm2[i]! * facing : 0;
    out.skyWm2[i] = light.dhiWm2[i]! * plane.skyViewFrac;
  }
  return out;
}

function fillByMoment(light: PlaneLight, plane: Plane, model: "reindl" | "perez", count: number, out: PlaneColumns): PlaneColumns {
  const sinTilt = Math.sqrt(Math.max(0, 1 - plane.up * plane.up));
  const sinHalfTilt3 = ((1 - plane.up) / 2) ** 1.5;
  const part: SkyDiffuse = { isotropicWm2: 0, circumsolarWm2: 0 };
  const sky = { ghiWm2: 0, dniWm2: 0, dhiWm2: 0, normalWm2: 0, cosIncidence: 0, cosZenith: 0 } satisfies SkyMoment;
  for (let i = 0; i < count; i++) {
    sky.ghiWm2 = light.ghiWm2[i]!;
    sky.dniWm2 = light.dniWm2[i]!;
    sky.dhiWm2 = light.dhiWm2[i]!;
    sky.normalWm2 = light.extraterrestrialWm2[i]!;
    sky.cosIncidence = out.cosIncidence[i]!;
    sky.cosZenith = light.up[i]!;
    if (model === "reindl") reindl(sky, plane.skyViewFrac, sinHalfTilt3, part);
    else perez(sky, airMass(sky.cosZenith), plane.skyViewFrac, sinTilt, part);
    const beam = sky.cosZenith > 0 ? sky.dniWm2 * Math.max(sky.cosIncidence, 0) : 0;
    out.directionalWm2[i] = beam + part.circumsolarWm2;
    out.skyWm2[i] = part.isotropicWm2;
  }
  return out;
}

const airMass = (cosZenith: number): number => relativeAirMass(radToDeg(Math.acos(Math.max(0, Math.min(1, cosZenith)))));
