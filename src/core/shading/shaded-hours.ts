import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { runSun } from "../sun";
import { zoneOffset } from "../time";
import { MINUTE_MS } from "../units";
import { beamRetainedFrac } from "./fill-shading";
import { racksByMonth } from "./standing";

const STEP_MINUTES = 20;

/** Hours of a year in which the sun stands before an array, and what stands between: January first. */
export interface ShadedHours {
  /** Sun up and on the front of the modules. */
  readonly sunHours: readonly number[];
  /** Of these, any part of the array shaded. */
  readonly partHours: readonly number[];
  /** Of these, weighed by the shaded share of the array. */
  readonly fullHours: readonly number[];
}

/** Shade on an array over a calendar year, cloudless, every twenty minutes. */
export function shadedHours(site: Site, arrayId: string, year: number): ShadedHours {
  const offset = zoneOffset(site.place.timeZone);
  const axis: TimeAxis = {
    startUtcMs: Date.UTC(year, 0, 1) - Math.round(site.place.longitudeDeg / 15) * 60 * MINUTE_MS,
    stepMinutes: STEP_MINUTES,
    count: (365 * 24 * 60) / STEP_MINUTES,
  };
  const sun = runSun(axis, site.place);
  const racks = racksByMonth(site, arrayId, year);
  const zeros = (): number[] => new Array<number>(12).fill(0);
  const [sunHours, partHours, fullHours] = [zeros(), zeros(), zeros()];
  const hours = STEP_MINUTES / 60;
  for (let i = 0; i < axis.count; i++) {
    const toward = { east: sun.east[i]!, north: sun.north[i]!, up: sun.up[i]! };
    if (!(toward.up > 0)) continue;
    const utcMs = axis.startUtcMs + i * STEP_MINUTES * MINUTE_MS;
    const month = new Date(utcMs + offset(utcMs)).getUTCMonth();
    const { plane, scene } = racks[month]!;
    if (plane.east * toward.east + plane.north * toward.north + plane.up * toward.up <= 0) continue;
    const lost = scene ? 1 - beamRetainedFrac(scene, toward, month) : 0;
    sunHours[month]! += hours;
    if (lost > 0) partHours[month]! += hours;
    fullHours[month]! += lost * hours;
  }
  return { sunHours, partHours, fullHours };
}
