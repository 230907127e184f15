import type { PvArray, Site } from "../../site";

/** How a plane stands against the book's, degrees clockwise and steeper. */
export interface PlaneOffset {
  readonly azimuthOffsetDeg: number;
  readonly tiltOffsetDeg: number;
}

/** The site with every array turned and tilted from the book, in its revisions too. No turn leaves it as it is. */
export function siteWithOffset(site: Site, by: PlaneOffset | null): Site {
  if (!by) return site;
  const { azimuthOffsetDeg, tiltOffsetDeg } = by;
  const bearing = (azimuthDeg: number): number => (((azimuthDeg + azimuthOffsetDeg) % 360) + 360) % 360;
  const tilt = (tiltDeg: number): number => Math.max(0, Math.min(90, tiltDeg + tiltOffsetDeg));
  const planeOffset = <T extends Partial<PvArray>>(array: T): T => ({
    ...array,
    ...(array.azimuthDeg === undefined ? {} : { azimuthDeg: bearing(array.azimuthDeg) }),
    ...(array.tiltDeg === undefined ? {} : { tiltDeg: tilt(array.tiltDeg) }),
    ...(array.tiltSchedule === undefined
      ? {}
      : { tiltSchedule: array.tiltSchedule.map((entry) => ({ ...entry, tiltDeg: tilt(entry.tiltDeg) })) }),
  });
  const revisions = site.revisions.map((revision) => ({
    ...revision,
    change: Array.isArray(revision.change.arrays)
      ? { ...revision.change, arrays: (revision.change.arrays as Partial<PvArray>[]).map(planeOffset) }
      : revision.change,
  }));
  return { ...site, arrays: site.arrays.map(planeOffset), revisions };
}
