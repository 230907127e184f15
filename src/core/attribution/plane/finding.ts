import type { Evidence } from "../evidence";
import { type CauseFinding, NO_ENERGY, startOf } from "../finding";
import { SURE_PLANE } from "./thresholds";

/** A plane that is not the book's: what is wrong of it, and how the days say so. */
export function planeFindings(evidence: Evidence): CauseFinding[] {
  const fit = evidence.orientation;
  if (!fit?.planeOffset) return [];
  const [array] = fit.site.arrays;
  return [
    {
      kind: "orientation",
      fromUtcMs: startOf(evidence, fit.from),
      toUtcMs: startOf(evidence, fit.to),
      ...NO_ENERGY,
      confidenceFrac: SURE_PLANE,
      facts: {
        azimuthOffsetDeg: fit.azimuthOffsetDeg.value,
        azimuthOffsetLowDeg: fit.azimuthOffsetDeg.low,
        azimuthOffsetHighDeg: fit.azimuthOffsetDeg.high,
        tiltOffsetDeg: fit.tiltOffsetDeg.value,
        tiltOffsetLowDeg: fit.tiltOffsetDeg.low,
        tiltOffsetHighDeg: fit.tiltOffsetDeg.high,
        wrong: fit.planeOffset.tiltOffsetDeg === 0 ? "azimuth" : fit.planeOffset.azimuthOffsetDeg === 0 ? "tilt" : "both",
        azimuthDeg: array?.azimuthDeg ?? Number.NaN,
        tiltDeg: array?.tiltDeg ?? Number.NaN,
        clockMinutes: fit.clockMinutes.value,
        days: fit.days,
        bookMissFrac: fit.bookMissFrac,
        fittedMissFrac: fit.fittedMissFrac,
        bookLevelFrac: fit.bookLevelFrac,
        fittedLevelFrac: fit.fittedLevelFrac,
      },
    },
  ];
}
