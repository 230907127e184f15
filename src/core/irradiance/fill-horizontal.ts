import { relativeAirMass } from "../sun";
import { radToDeg } from "../units";
import { discDniWm2 } from "./disc";
import { erbsDiffuseFrac } from "./erbs";

export type DecompositionModel = "erbs" | "disc";

/** GHI, DNI and DHI, W/m2; NaN in what was not measured. */
export interface HorizontalColumns {
  readonly ghiWm2: Float64Array;
  readonly dniWm2: Float64Array;
  readonly dhiWm2: Float64Array;
}

/** Sine of the sun's elevation and extraterrestrial normal irradiance, W/m2. */
export interface SunHeights {
  readonly up: Float64Array;
  readonly extraterrestrialWm2: Float64Array;
}

/**
 * Completes the first `count` values of GHI, DNI and DHI in place: measured values stand; a missing third follows from closure
 * (GHI = DHI + DNI cos z); GHI alone is split by Erbs or DISC with the beam capped at the extraterrestrial (near the horizon at a clean sky's), what is cut going to
 * the diffuse. NaN stays where too little was measured. `pressureFrac` is the air pressure over that at sea level.
 */
export function fillHorizontal(
  sky: HorizontalColumns,
  sun: SunHeights,
  model: DecompositionModel,
  pressureFrac: number,
  count: number,
): HorizontalColumns {
  const { ghiWm2, dniWm2, dhiWm2 } = sky;
  for (let i = 0; i < count; i++) {
    const ghi = ghiWm2[i]!;
    const dni = dniWm2[i]!;
    const dhi = dhiWm2[i]!;
    const up = sun.up[i]!;
    const cosZenith = Math.max(up, 0);
    if (!Number.isNaN(dni) || !Number.isNaN(dhi)) close(sky, i, cosZenith);
    else if (cosZenith > 0 && ghi > 0) {
      const normal = sun.extraterrestrialWm2[i]!;
      const upright = ghi / cosZenith;
      let beam =
        model === "erbs"
          ? upright * (1 - erbsDiffuseFrac(upright / normal))
          : discDniWm2(ghi, cosZenith, normal, pressureFrac * airMass(cosZenith));
      // Near the horizon the quotient by cos z runs away: 1 W/m2 of twilight would make a full beam.
      const most = cosZenith < LOW_SUN ? normal * clearBeamFrac(airMass(cosZenith) * pressureFrac) : normal;
      if (beam > most) beam = most;
      const rest = ghi - beam * cosZenith;
      dniWm2[i] = rest < 0 ? upright : beam;
      dhiWm2[i] = Math.max(rest, 0);
    } else {
      dniWm2[i] = 0;
      dhiWm2[i] = ghi;
    }
  }
  return sky;
}

/** Sine of 5 degrees: beneath it the beam is held by what a very clean sky lets through. */
const LOW_SUN = 0.0872;

/** Beam under a clean sky over the extraterrestrial, by air mass; a fifth more than usual is let stand. Source: Meinel & Meinel, 1976, Applied solar energy, eq. 2.19. */
const clearBeamFrac = (mass: number): number => Math.min(1, 1.2 * 0.7 ** (mass ** 0.678));

const airMass = (cosZenith: number): number => relativeAirMass(radToDeg(Math.acos(Math.min(1, cosZenith))));

/** Takes the third of three from the two that were measured. */
function close({ ghiWm2, dniWm2, dhiWm2 }: HorizontalColumns, i: number, cosZenith: number): void {
  const dni = dniWm2[i]!;
  const dhi = dhiWm2[i]!;
  let ghi = ghiWm2[i]!;
  if (Number.isNaN(ghi)) ghi = dhi + dni * cosZenith;
  if (Number.isNaN(dhi)) dhiWm2[i] = Math.max(ghi - dni * cosZenith, 0);
  else if (Number.isNaN(dni)) dniWm2[i] = cosZenith > 0.0175 ? Math.max(ghi - dhi, 0) / cosZenith : 0;
  ghiWm2[i] = ghi;
}
