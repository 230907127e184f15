import { degToRad, radToDeg } from "../units";

/** Declination for a day of the year, degrees; within 1.5 deg. Source: Cooper, 1969, The absorption of solar radiation in solar stills. */
export const cooperDeclinationDeg = (dayOfYear: number): number => 23.45 * Math.sin(degToRad((360 * (284 + dayOfYear)) / 365));

/** Declination for a day of the year, degrees. Source: Spencer, 1971, Fourier series representation of the position of the sun. */
export function spencerDeclinationDeg(dayOfYear: number): number {
  const b = (2 * Math.PI * (dayOfYear - 1)) / 365;
  return radToDeg(
    0.006918 -
      0.399912 * Math.cos(b) +
      0.070257 * Math.sin(b) -
      0.006758 * Math.cos(2 * b) +
      0.000907 * Math.sin(2 * b) -
      0.002697 * Math.cos(3 * b) +
      0.00148 * Math.sin(3 * b),
  );
}

/** Solar less mean time, minutes. Source: Spencer, 1971. */
export function equationOfTimeMinutes(dayOfYear: number): number {
  const b = (2 * Math.PI * (dayOfYear - 1)) / 365;
  return 229.18 * (0.000075 + 0.001868 * Math.cos(b) - 0.032077 * Math.sin(b) - 0.014615 * Math.cos(2 * b) - 0.040849 * Math.sin(2 * b));
}

/** Declination at the June solstice; in December it is as far south. Source: Spencer, 1971 (mean obliquity of the ecliptic). */
export const SOLSTICE_DECLINATION_DEG = 23.44;

/** Declination on the shortest day of a hemisphere. */
export const winterSolsticeDeg = (latitudeDeg: number): number => (latitudeDeg < 0 ? SOLSTICE_DECLINATION_DEG : -SOLSTICE_DECLINATION_DEG);
