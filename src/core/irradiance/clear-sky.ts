/** Clear-sky irradiances, W/m2. */
export interface ClearSky {
  ghiWm2: number;
  dniWm2: number;
  dhiWm2: number;
}

export interface ClearSkyMoment {
  readonly cosZenith: number;
  /** Pressure-corrected. */
  readonly absoluteAirMass: number;
  readonly linkeTurbidity: number;
  readonly altitudeM: number;
  readonly normalWm2: number;
}

/** GHI under a clear sky, W/m2; 0 with the sun down. Source: Haurwitz, 1945, Insolation in relation to cloudiness and cloud density: 94.4 cal/cm2 an hour, and 0.059 a unit of air mass, for a cloudless sky. */
export const haurwitzGhiWm2 = (cosZenith: number): number => (cosZenith > 0 ? 1098 * cosZenith * Math.exp(-0.059 / cosZenith) : 0);

/**
 * GHI, DNI and DHI under a clear sky of a Linke turbidity; all 0 with the sun down. The DNI is held by what the GHI allows.
 * Source: Ineichen & Perez, 2002, A new airmass independent formulation for the Linke turbidity coefficient.
 */
export function ineichenPerez(sky: ClearSkyMoment, out: ClearSky): ClearSky {
  const { cosZenith, absoluteAirMass: m, linkeTurbidity: tl, altitudeM, normalWm2 } = sky;
  if (!(cosZenith > 0)) {
    out.ghiWm2 = out.dniWm2 = out.dhiWm2 = 0;
    return out;
  }
  const fh1 = Math.exp(-altitudeM / 8000);
  const fh2 = Math.exp(-altitudeM / 1250);
  const cg1 = 5.09e-5 * altitudeM + 0.868;
  const cg2 = 3.92e-5 * altitudeM + 0.0387;
  const ghi = cg1 * normalWm2 * cosZenith * Math.exp(-cg2 * m * (fh1 + fh2 * (tl - 1)));
  const beam = (0.664 + 0.163 / fh1) * normalWm2 * Math.exp(-0.09 * m * (tl - 1));
  const allowed = (ghi * (1 - (0.1 - 0.2 * Math.exp(-tl)) / (0.1 + 0.882 / fh1))) / cosZenith;
  out.ghiWm2 = ghi;
  out.dniWm2 = Math.min(beam, allowed);
  out.dhiWm2 = ghi - out.dniWm2 * cosZenith;
  return out;
}
