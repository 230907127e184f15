import type { Rack } from "../site";
import { degToRad, radToDeg } from "../units";

/** Leg that holds a hinged frame at a tilt, m: the third side of hinge, frame and base. */
export const legLengthM = ({ frameM, baseM }: Rack, tiltDeg: number): number =>
  Math.sqrt(Math.max(0, frameM * frameM + baseM * baseM - 2 * frameM * baseM * Math.cos(degToRad(tiltDeg))));

/** Tilt at which a leg holds the frame; null when it is too long or too short for the rack. */
export function tiltOfLegDeg({ frameM, baseM }: Rack, legM: number): number | null {
  const cosine = (frameM * frameM + baseM * baseM - legM * legM) / (2 * frameM * baseM);
  return Math.abs(cosine) > 1 ? null : radToDeg(Math.acos(cosine));
}
