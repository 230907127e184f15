import { planeOf } from "../../irradiance";
import type { PvArray } from "../../site";
import { SAME_PLANE_COS } from "./thresholds";

/** Arrays put together that look the same way, in the book's order. */
export function planeGroups(arrays: readonly PvArray[]): PvArray[][] {
  const groups: PvArray[][] = [];
  for (const array of arrays) {
    const plane = planeOf(array.tiltDeg, array.azimuthDeg);
    const existing = groups.find(([first]) => {
      const other = planeOf(first!.tiltDeg, first!.azimuthDeg);
      return plane.east * other.east + plane.north * other.north + plane.up * other.up > SAME_PLANE_COS;
    });
    if (existing) existing.push(array);
    else groups.push([array]);
  }
  return groups;
}
