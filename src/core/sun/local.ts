import { degToRad, radToDeg } from "../units";
import { type GeocentricSun, geocentricSun } from "./geocentric";

/** Direction of the sun's centre at a place: true (no refraction), as a unit vector east, north, up. */
export interface SunVector {
  east: number;
  north: number;
  up: number;
}

/** Mean equatorial horizontal parallax of the sun, rad (8.794 arc seconds). Source: Reda & Andreas, 2004. */
export const SOLAR_PARALLAX_RAD = degToRad(8.794 / 3600);

/** A place with the sines that the rotation needs, taken once. */
export interface Horizon {
  readonly sinLatitude: number;
  readonly cosLatitude: number;
  readonly longitudeRad: number;
}

export const horizonAt = (latitudeDeg: number, longitudeDeg: number): Horizon => ({
  sinLatitude: Math.sin(degToRad(latitudeDeg)),
  cosLatitude: Math.cos(degToRad(latitudeDeg)),
  longitudeRad: degToRad(longitudeDeg),
});

/** Rotates a geocentric sun into a place's horizon, with parallax. Source: Reda & Andreas, 2004, eq. 38 to 46. */
export function localSun(sun: GeocentricSun, horizon: Horizon, out: SunVector): SunVector {
  const hourAngle = sun.siderealRad + horizon.longitudeRad - sun.rightAscensionRad;
  const cosDeclination = Math.cos(sun.declinationRad);
  const sinDeclination = Math.sin(sun.declinationRad);
  const towardSouth = cosDeclination * Math.cos(hourAngle);
  const east = -cosDeclination * Math.sin(hourAngle);
  const north = sinDeclination * horizon.cosLatitude - towardSouth * horizon.sinLatitude;
  const up = sinDeclination * horizon.sinLatitude + towardSouth * horizon.cosLatitude - SOLAR_PARALLAX_RAD;
  const length = Math.sqrt(east * east + north * north + up * up);
  out.east = east / length;
  out.north = north / length;
  out.up = up / length;
  return out;
}

/** Unit vectors east, north and up of a place in the earth-fixed frame; east has no z. */
export interface LocalFrame {
  readonly eastX: number;
  readonly eastY: number;
  readonly northX: number;
  readonly northY: number;
  readonly northZ: number;
  readonly upX: number;
  readonly upY: number;
  readonly upZ: number;
}

export function localFrame(latitudeDeg: number, longitudeDeg: number): LocalFrame {
  const { sinLatitude, cosLatitude, longitudeRad } = horizonAt(latitudeDeg, longitudeDeg);
  const sinLongitude = Math.sin(longitudeRad);
  const cosLongitude = Math.cos(longitudeRad);
  return {
    eastX: -sinLongitude,
    eastY: cosLongitude,
    northX: -sinLatitude * cosLongitude,
    northY: -sinLatitude * sinLongitude,
    northZ: cosLatitude,
    upX: cosLatitude * cosLongitude,
    upY: cosLatitude * sinLongitude,
    upZ: sinLatitude,
  };
}

export interface SunPosition {
  readonly trueZenithDeg: number;
  readonly apparentZenithDeg: number;
  /** Degrees from true north, clockwise, 0 <= a < 360. */
  readonly azimuthDeg: number;
  readonly vector: SunVector;
  readonly distanceAu: number;
}

export interface Observer {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly pressurePa: number;
  readonly airTempC: number;
}

/** Position of the sun at an instant and place, with refraction in the apparent zenith. For single moments, not for series. */
export function sunPosition(utcMs: number, observer: Observer): SunPosition {
  const sun = geocentricSun(utcMs, { declinationRad: 0, rightAscensionRad: 0, siderealRad: 0, distanceAu: 1 });
  const horizon = horizonAt(observer.latitudeDeg, observer.longitudeDeg);
  const vector = localSun(sun, horizon, { east: 0, north: 0, up: 0 });
  const elevationDeg = radToDeg(Math.atan2(vector.up, Math.hypot(vector.east, vector.north)));
  return {
    trueZenithDeg: 90 - elevationDeg,
    apparentZenithDeg: 90 - elevationDeg - refractionDeg(elevationDeg, observer.pressurePa, observer.airTempC),
    azimuthDeg: (radToDeg(Math.atan2(vector.east, vector.north)) + 360) % 360,
    vector,
    distanceAu: sun.distanceAu,
  };
}

/** Refraction, deg, at a true elevation; 0 once the sun's upper edge is below the horizon. Source: Reda & Andreas, 2004, eq. 42. */
export function refractionDeg(trueElevationDeg: number, pressurePa: number, airTempC: number): number {
  if (trueElevationDeg < -0.83337) return 0;
  const bend = 1.02 / (60 * Math.tan(degToRad(trueElevationDeg + 10.3 / (trueElevationDeg + 5.11))));
  return (pressurePa / 101_000) * (283 / (273 + airTempC)) * bend;
}
