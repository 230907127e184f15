export interface BeamAndDiffuse {
  dniWm2: number;
  dhiWm2: number;
}

/** Diffuse share of GHI for a clearness index (0 and up). Source: Erbs, Klein & Duffie, 1982, Estimation of the diffuse radiation fraction, eq. 1. */
export function erbsDiffuseFrac(clearness: number): number {
  if (clearness <= 0.22) return 1 - 0.09 * clearness;
  if (clearness <= 0.8) {
    return 0.9511 + clearness * (-0.1604 + clearness * (4.388 + clearness * (-16.638 + clearness * 12.336)));
  }
  return 0.165;
}

/**
 * Splits GHI, W/m2, into beam normal and diffuse horizontal. With the sun down, or GHI at or under zero, all of it is diffuse.
 * `dniLimitWm2` caps the beam (near the horizon the quotient by cos z runs away); what is cut goes to the diffuse, so that
 * GHI = DHI + DNI cos z always holds. NaN stays NaN. Source: Erbs, Klein & Duffie, 1982.
 */
export function erbs(
  ghiWm2: number,
  cosZenith: number,
  normalWm2: number,
  out: BeamAndDiffuse,
  dniLimitWm2 = Number.POSITIVE_INFINITY,
): BeamAndDiffuse {
  if (!(cosZenith > 0) || !(ghiWm2 > 0)) {
    out.dniWm2 = 0;
    out.dhiWm2 = ghiWm2;
    return out;
  }
  const dhi = ghiWm2 * erbsDiffuseFrac(ghiWm2 / (normalWm2 * cosZenith));
  const dni = (ghiWm2 - dhi) / cosZenith;
  out.dniWm2 = Math.min(dni, dniLimitWm2);
  out.dhiWm2 = dni > dniLimitWm2 ? ghiWm2 - dniLimitWm2 * cosZenith : dhi;
  return out;
}
