/** Total solar irradiance at one astronomical unit, W/m2. Source: Kopp & Lean, 2011, A new, lower value of total solar irradiance. */
export const SOLAR_CONSTANT_WM2 = 1361;

/** Extraterrestrial normal irradiance, W/m2, for a day of the year (1 to 366). Source: Spencer, 1971, Fourier series representation of the position of the sun. */
export function extraterrestrialWm2(dayOfYear: number, solarConstantWm2 = SOLAR_CONSTANT_WM2): number {
  const b = (2 * Math.PI * (dayOfYear - 1)) / 365;
  return (
    solarConstantWm2 * (1.00011 + 0.034221 * Math.cos(b) + 0.00128 * Math.sin(b) + 0.000719 * Math.cos(2 * b) + 0.000077 * Math.sin(2 * b))
  );
}

/** Relative air mass for an apparent zenith in degrees; NaN below the horizon. Source: Kasten & Young, 1989, eq. 3. */
export function relativeAirMass(apparentZenithDeg: number): number {
  if (apparentZenithDeg > 90) return Number.NaN;
  return 1 / (Math.cos((apparentZenithDeg * Math.PI) / 180) + 0.50572 * (96.07995 - apparentZenithDeg) ** -1.6364);
}

/** Pressure of the standard atmosphere, Pa, at an altitude in m. Source: ISO 2533:1975. */
export const pressurePa = (altitudeM: number): number => 101_325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;
