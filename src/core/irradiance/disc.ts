/** Air mass above which the polynomials say nothing. Source: Maxwell, 1987. */
const MOST_AIR_MASS = 12;

/**
 * Beam normal irradiance, W/m2, from GHI by a clear-sky transmittance less what clouds take; clearness is held at 1, the result at 0 and up.
 * 0 with the sun down. `absoluteAirMass` is pressure-corrected.
 * Source: Maxwell, 1987, A quasi-physical model for converting hourly global horizontal to direct normal insolation, eq. 1 to 8.
 */
export function discDniWm2(ghiWm2: number, cosZenith: number, normalWm2: number, absoluteAirMass: number): number {
  if (!(cosZenith > 0) || !(ghiWm2 > 0)) return 0;
  const kt = Math.min(1, ghiWm2 / (normalWm2 * cosZenith));
  const m = Math.min(MOST_AIR_MASS, absoluteAirMass);
  let a: number;
  let b: number;
  let c: number;
  if (kt <= 0.6) {
    a = 0.512 + kt * (-1.56 + kt * (2.286 - 2.222 * kt));
    b = 0.37 + 0.962 * kt;
    c = -0.28 + kt * (0.932 - 2.048 * kt);
  } else {
    a = -5.743 + kt * (21.77 + kt * (-27.49 + 11.56 * kt));
    b = 41.4 + kt * (-118.5 + kt * (66.05 + 31.9 * kt));
    c = -47.01 + kt * (184.2 + kt * (-222 + 73.81 * kt));
  }
  const clear = 0.866 + m * (-0.122 + m * (0.0121 + m * (-0.000653 + 0.000014 * m)));
  return Math.max(0, normalWm2 * (clear - (a + b * Math.exp(c * m))));
}
