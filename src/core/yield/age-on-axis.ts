import { ageInYears } from "../module";
import type { TimeAxis } from "../series";
import { utcOfWall, zoneOffset } from "../time";
import { MINUTE_MS, YEAR_MS } from "../units";

/** Age of a plant on a time axis: years at its first step (negative before commissioning), and years that each step adds. */
export interface AxisAge {
  readonly startYears: number;
  readonly yearsPerStep: number;
}

/** Age from local midnight of the commissioning date. */
export function ageOnAxis(commissioned: string, timeZone: string, axis: TimeAxis): AxisAge {
  const commissionedUtcMs = utcOfWall(Date.parse(`${commissioned}T00:00:00Z`), zoneOffset(timeZone));
  return {
    startYears: ageInYears(axis.startUtcMs, commissionedUtcMs),
    yearsPerStep: (axis.stepMinutes * MINUTE_MS) / YEAR_MS,
  };
}
