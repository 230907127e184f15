import type { Rack } from "../site";
import { degToRad } from "../units";

/** Leg that holds a hinged frame at a tilt, m: the third side of hinge, frame and base. */
export const legLengthM = ({ frameM, baseM }: Rack, tiltDeg: number): number =>
  Math.sqrt(Math.max(0, frameM * frameM + baseM * baseM - 2 * frameM * baseM * Math.cos(degToRad(tiltDeg))));
