import { YEAR_BANDS, yearBand } from "../geometry";
import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { runSun } from "../sun";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "../units";
import { clearSkyWeather } from "../weather";
import { beamRetainedFrac } from "./fill-shading";
import { racksByMonth } from "./standing";

/** Minutes of mean solar time in a cell. */
export const SKY_STEP_MINUTES = 20;
export const SKY_STEPS = (24 * 60) / SKY_STEP_MINUTES;

/** Hours of a year in which the sun stands before an array, and what stands between: January first. */
export interface ShadedHours {
  /** Sun up and on the front of the modules. */
  readonly sunHours: readonly number[];
  /** Of these, any part of the array shaded. */
  readonly partHours: readonly number[];
  /** Of these, weighed by the shaded share of the array. */
  readonly fullHours: readonly number[];
}

/** The sun's year as one array sees it: bands between the sun's ways of two months, cut into steps of solar time. Rows of {@link SKY_STEPS} from the December solstice to the June solstice; each holds both halves of the year, in which the sun passes the same sky. */
export interface ShadedSky {
  /** Beam on the modules with nothing before it, cloudless, kWh/m² a year. */
  readonly openKwhM2: Float64Array;
  /** Of this, what obstacles and horizon take, kWh/m² a year. */
  readonly lostKwhM2: Float64Array;
}

/** When and where in the sun's year an array is shaded, cloudless, over a calendar year of 365 days of mean solar time, every twenty minutes. */
export function shadedYear(site: Site, arrayId: string, year: number): { readonly hours: ShadedHours; readonly sky: ShadedSky } {
  const axis: TimeAxis = {
    startUtcMs: Date.UTC(year, 0, 1) - (site.place.longitudeDeg / 15) * HOUR_MS + (SKY_STEP_MINUTES / 2) * MINUTE_MS,
    stepMinutes: SKY_STEP_MINUTES,
    count: 365 * SKY_STEPS,
  };
  const sun = runSun(axis, site.place);
  const beam = clearSkyWeather(axis, site.place).dniWm2!;
  const racks = racksByMonth(site, arrayId, year);
  const zeros = (): number[] => new Array<number>(12).fill(0);
  const [sunHours, partHours, fullHours] = [zeros(), zeros(), zeros()];
  const openKwhM2 = new Float64Array(YEAR_BANDS * SKY_STEPS);
  const lostKwhM2 = new Float64Array(YEAR_BANDS * SKY_STEPS);
  const stepHours = SKY_STEP_MINUTES / 60;
  for (let day = 0; day < 365; day++) {
    const date = new Date(Date.UTC(year, 0, 1) + day * DAY_MS).toISOString().slice(0, 10);
    const month = Number(date.slice(5, 7)) - 1;
    const row = yearBand(date) * SKY_STEPS;
    const { plane, scene } = racks[month]!;
    for (let step = 0; step < SKY_STEPS; step++) {
      const i = day * SKY_STEPS + step;
      const toward = { east: sun.east[i]!, north: sun.north[i]!, up: sun.up[i]! };
      const cosine = plane.east * toward.east + plane.north * toward.north + plane.up * toward.up;
      if (!(toward.up > 0) || cosine <= 0) continue;
      const lostFrac = scene ? 1 - beamRetainedFrac(scene, toward, month) : 0;
      sunHours[month]! += stepHours;
      if (lostFrac > 0) partHours[month]! += stepHours;
      fullHours[month]! += lostFrac * stepHours;
      const kwhM2 = (beam[i]! * cosine * stepHours) / 1000;
      openKwhM2[row + step]! += kwhM2;
      lostKwhM2[row + step]! += kwhM2 * lostFrac;
    }
  }
  return { hours: { sunHours, partHours, fullHours }, sky: { openKwhM2, lostKwhM2 } };
}
