import { degToRad, radToDeg } from "../units";

/** Elevation of the sun at solar noon, degrees; may be negative. Source: Iqbal, 1983, An introduction to solar radiation, ch. 1. */
export const noonElevationDeg = (latitudeDeg: number, declinationDeg: number): number => 90 - Math.abs(latitudeDeg - declinationDeg);

/** Hours that the sun's centre is up, without refraction: 0 in polar night, 24 in polar day. Source: Iqbal, 1983, ch. 1. */
export function dayLengthHours(latitudeDeg: number, declinationDeg: number): number {
  const cosine = -Math.tan(degToRad(latitudeDeg)) * Math.tan(degToRad(declinationDeg));
  return (2 / 15) * radToDeg(Math.acos(Math.min(1, Math.max(-1, cosine))));
}

export interface SunDirection {
  readonly elevationDeg: number;
  /** Clockwise from true north. */
  readonly azimuthDeg: number;
}

/** Direction of the sun at a solar time (12 is noon). Source: Iqbal, 1983, ch. 1. */
export function sunAtSolarTime(latitudeDeg: number, declinationDeg: number, solarTimeH: number): SunDirection {
  const [latitude, declination, hour] = [degToRad(latitudeDeg), degToRad(declinationDeg), degToRad(15 * (solarTimeH - 12))];
  const east = -Math.cos(declination) * Math.sin(hour);
  const north = Math.sin(declination) * Math.cos(latitude) - Math.cos(declination) * Math.cos(hour) * Math.sin(latitude);
  const up = Math.sin(declination) * Math.sin(latitude) + Math.cos(declination) * Math.cos(hour) * Math.cos(latitude);
  return {
    elevationDeg: radToDeg(Math.atan2(up, Math.hypot(east, north))),
    azimuthDeg: (radToDeg(Math.atan2(east, north)) + 360) % 360,
  };
}
