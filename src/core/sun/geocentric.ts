import { DAY_MS, degToRad } from "../units";

/** The sun seen from the earth's centre, equinox of date, with aberration and nutation. */
export interface GeocentricSun {
  declinationRad: number;
  rightAscensionRad: number;
  /** Apparent sidereal time at Greenwich, rad. */
  siderealRad: number;
  distanceAu: number;
}

/** 1900 January 0.5 (JD 2415020.0) as a Unix time; the series count Julian centuries from it. */
const EPOCH_1900_MS = -2_209_032_000_000;
/** 2000 January 1.5 as a Unix time. */
const EPOCH_2000_MS = 946_728_000_000;
const CENTURY_MS = 36_525 * DAY_MS;
/** Terrestrial minus universal time; within 10 s of it from 1995 to 2035, which moves the sun by 0.0001 deg. */
const DELTA_T_MS = 69_000;

const sinDeg = (deg: number): number => Math.sin(degToRad(deg));
const cosDeg = (deg: number): number => Math.cos(degToRad(deg));

/**
 * Geocentric apparent position of the sun, within 0.003 deg from 1990 to 2060.
 * Source: Newcomb's theory with its largest planetary terms as in J. Meeus, 1979, Astronomical Formulae for Calculators,
 * ch. 18 (sun) and 15 (nutation); sidereal time after Aoki et al., 1982, The new definition of universal time.
 */
export function geocentricSun(utcMs: number, out: GeocentricSun): GeocentricSun {
  const t = (utcMs + DELTA_T_MS - EPOCH_1900_MS) / CENTURY_MS;
  const meanLongitude = 279.69668 + t * (36000.76892 + t * 0.0003025);
  const anomaly = 358.47583 + t * (35999.04975 - t * (0.00015 + t * 0.0000033));
  const eccentricity = 0.01675104 - t * (0.0000418 + t * 0.000000126);
  const centre =
    (1.91946 - t * (0.004789 + t * 0.000014)) * sinDeg(anomaly) +
    (0.020094 - t * 0.0001) * sinDeg(2 * anomaly) +
    0.000293 * sinDeg(3 * anomaly);
  const planets =
    0.00134 * cosDeg(153.23 + 22518.7541 * t) +
    0.00154 * cosDeg(216.57 + 45037.5082 * t) +
    0.002 * cosDeg(312.69 + 32964.3577 * t) +
    0.00179 * sinDeg(350.74 + t * (445267.1142 - 0.00144 * t)) +
    0.00178 * sinDeg(231.19 + 20.2 * t);
  const node = 259.183275 - 1934.142 * t;
  const nutationLongitude = -0.00479 * sinDeg(node) - 0.00035 * sinDeg(2 * meanLongitude);
  const distanceAu = (1.0000002 * (1 - eccentricity * eccentricity)) / (1 + eccentricity * cosDeg(anomaly + centre));
  const longitudeRad = degToRad(meanLongitude + centre + planets + nutationLongitude - 0.00569 / distanceAu);
  const obliquityRad = degToRad(
    23.452294 - t * (0.0130125 + t * 0.00000164) + 0.00256 * cosDeg(node) + 0.00015 * cosDeg(2 * meanLongitude),
  );
  const sinLongitude = Math.sin(longitudeRad);
  out.rightAscensionRad = Math.atan2(Math.cos(obliquityRad) * sinLongitude, Math.cos(longitudeRad));
  out.declinationRad = Math.asin(Math.sin(obliquityRad) * sinLongitude);
  out.siderealRad = siderealRad(utcMs) + degToRad(nutationLongitude) * Math.cos(obliquityRad);
  out.distanceAu = distanceAu;
  return out;
}

function siderealRad(utcMs: number): number {
  const days = (utcMs - EPOCH_2000_MS) / DAY_MS;
  const t = days / 36_525;
  return degToRad(280.46061837 + 360.98564736629 * days + 0.000387933 * t * t);
}
