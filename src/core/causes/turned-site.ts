import type { PvArray, Site } from "../site";

/** The site with every array turned and tilted from the book, in its revisions too. */
export function turnedSite(site: Site, turnDeg: number, steeperDeg: number): Site {
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
