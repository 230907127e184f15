import { degToRad } from "../units";

/** A tilted plane as the outward unit normal (east, north, up) with its view factors to sky and ground. */
export interface Plane {
  readonly east: number;
  readonly north: number;
  readonly up: number;
  readonly skyViewFrac: number;
  readonly groundViewFrac: number;
}

/** Tilt from horizontal (0 to 180), azimuth clockwise from true north. View factors: Liu & Jordan, 1963. */
export function planeOf(tiltDeg: number, azimuthDeg: number): Plane {
  const tilt = degToRad(tiltDeg);
  const azimuth = degToRad(azimuthDeg);
  const up = Math.cos(tilt);
  return {
    east: Math.sin(tilt) * Math.sin(azimuth),
    north: Math.sin(tilt) * Math.cos(azimuth),
    up,
    skyViewFrac: (1 + up) / 2,
    groundViewFrac: (1 - up) / 2,
  };
}
