import type { PvArray, Site } from "../../site";

/** How a plane stands against the book's, degrees clockwise and steeper. */
export interface Turn {
  readonly turnDeg: number;
  readonly steeperDeg: number;
}

/** The site with every array turned and tilted from the book, in its revisions too. No turn leaves it as it is. */
export function turnedSite(site: Site, by: Turn | null): Site {
  if (!by) return site;
  const { turnDeg, steeperDeg } = by;
  const bearing = (azimuthDeg: number): number => (((azimuthDeg + turnDeg) % 360) + 360) % 360;
  const tilt = (tiltDeg: number): number => Math.max(0, Math.min(90, tiltDeg + steeperDeg));
  const turn = <T extends Partial<PvArray>>(array: T): T => ({
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
      ? { ...revision.change, arrays: (revision.change.arrays as Partial<PvArray>[]).map(turn) }
      : revision.change,
  }));
  return { ...site, arrays: site.arrays.map(turn), revisions };
}
