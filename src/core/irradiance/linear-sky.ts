import { relativeAirMass } from "../sun";
import { radToDeg } from "../units";
import type { HorizontalColumns, SunHeights } from "./fill-horizontal";
import type { TranspositionModel } from "./fill-plane";
import { type PerezBrightness, perezBeamRatio, perezBrightness } from "./perez";
import type { Plane } from "./plane";
import type { SkyMoment } from "./reindl";
import { COS_ZENITH_FLOOR } from "./sky-diffuse";

/**
 * A moment's sky as every model sees it, before any plane is known: light that arrives with the cosine of incidence, light of the even
 * sky, and light whose weight depends on the tilt alone (tiltWeight). In-plane light is then three products.
 */
export interface LinearSky {
  directionalWm2: number;
  evenWm2: number;
  tiltedWm2: number;
}

/** Splits a moment's light by a sky model. `sky.cosIncidence` is not used. */
export function linearSky(model: TranspositionModel, sky: SkyMoment, out: LinearSky): LinearSky {
  const { dniWm2, dhiWm2, cosZenith } = sky;
  const beam = cosZenith > 0 ? dniWm2 : 0;
  if (model === "isotropic") return set(out, beam, dhiWm2, 0);
  if (model === "perez") return byPerez(sky, beam, out);
  const anisotropy = dniWm2 / sky.normalWm2;
  const even = dhiWm2 * (1 - anisotropy);
  const directional = beam + (dhiWm2 * anisotropy) / Math.max(cosZenith, COS_ZENITH_FLOOR);
  if (model === "hay-davies") return set(out, directional, even, 0);
  const beamShare = sky.ghiWm2 > 0 ? Math.sqrt(Math.max(0, (dniWm2 * cosZenith) / sky.ghiWm2)) : 0;
  return set(out, directional, even, even * beamShare);
}

function set(out: LinearSky, directional: number, even: number, tilted: number): LinearSky {
  out.directionalWm2 = directional;
  out.evenWm2 = even;
  out.tiltedWm2 = tilted;
  return out;
}

const brightness: PerezBrightness = { circumsolar: 0, horizon: 0 };

function byPerez(sky: SkyMoment, beam: number, out: LinearSky): LinearSky {
  const { dhiWm2, cosZenith } = sky;
  if (!(cosZenith > 0) || !(dhiWm2 > 0)) return set(out, beam, dhiWm2, 0);
  const airMass = relativeAirMass(radToDeg(Math.acos(Math.min(1, cosZenith))));
  const { circumsolar, horizon } = perezBrightness(sky, airMass, brightness);
  return set(out, beam + dhiWm2 * circumsolar * perezBeamRatio(1, cosZenith), dhiWm2 * (1 - circumsolar), dhiWm2 * horizon);
}

/** Light of a block of moments by the sky's three parts; Hay & Davies, the usual model, is written into the loop. */
export function fillLinearSky(
  model: TranspositionModel,
  light: HorizontalColumns & SunHeights,
  count: number,
  out: { readonly directionalWm2: Float64Array; readonly skyWm2: Float64Array; readonly tiltedWm2: Float64Array },
): void {
  if (model === "hay-davies") {
    for (let i = 0; i < count; i++) {
      const up = light.up[i]!;
      const dni = light.dniWm2[i]!;
      const dhi = light.dhiWm2[i]!;
      const anisotropy = dni / light.extraterrestrialWm2[i]!;
      const around = (dhi * anisotropy) / Math.max(up, COS_ZENITH_FLOOR);
      out.directionalWm2[i] = up > 0 ? dni + around : around;
      out.skyWm2[i] = dhi * (1 - anisotropy);
      out.tiltedWm2[i] = 0;
    }
    return;
  }
  const sky: LinearSky = { directionalWm2: 0, evenWm2: 0, tiltedWm2: 0 };
  for (let i = 0; i < count; i++) {
    const moment = {
      ghiWm2: light.ghiWm2[i]!,
      dniWm2: light.dniWm2[i]!,
      dhiWm2: light.dhiWm2[i]!,
      normalWm2: light.extraterrestrialWm2[i]!,
      cosIncidence: 0,
      cosZenith: light.up[i]!,
    };
    linearSky(model, moment, sky);
    out.directionalWm2[i] = sky.directionalWm2;
    out.skyWm2[i] = sky.evenWm2;
    out.tiltedWm2[i] = sky.tiltedWm2;
  }
}

/** Weight of a plane for the tilted part of a model: sin(tilt) for the horizon band of Perez, sky view times sin^3(tilt / 2) for Reindl. */
export function tiltWeight(model: TranspositionModel, plane: Plane): number {
  if (model === "perez") return Math.sqrt(Math.max(0, 1 - plane.up * plane.up));
  return model === "reindl" ? plane.skyViewFrac * plane.groundViewFrac ** 1.5 : 0;
}
