import { expose } from "comlink";
import { unpackWeather } from "@/contracts/weather-wire";
import { mergeChange, type Place, type ShadeRule, type Site } from "@/core/site";
import {
  bestSchedule,
  byMonth,
  type EnergyTable,
  energyTable,
  isWinterHalf,
  lateCostKwh,
  leastMonthKwhPerDay,
  POSITIONS,
  scheduleKwh,
  schoolSchedule,
  type TiltGoal,
  type TiltStep,
} from "@/core/tilt";
import { monthBins, zoneOffset } from "@/core/time";
import { clearSkyWeather, hoursOfYear, type Weather } from "@/core/weather";
import { type PreparedWeather, prepareWeather, runPrepared } from "@/core/yield";
import type { PlaneYear, PlannerReport, RevisionEffect, ShadeReport, TiltPlan } from "./engine-types";

const RULES: readonly ShadeRule[] = ["module-level", "bypass-diodes", "worst-module"];

let weather: Weather | null = null;
let cloudlessYear = 2025;
let ready: { key: string; prepared: PreparedWeather } | null = null;
let table: { key: string; table: EnergyTable } | null = null;
let turn = 0;

/** The loaded weather under the sun of a place; without any, a cloudless year there. */
function preparedAt(place: Place): PreparedWeather {
  const key = JSON.stringify(place);
  if (ready?.key === key) return ready.prepared;
  const offsetHours = Math.round(zoneOffset(place.timeZone)(Date.UTC(cloudlessYear, 0, 1)) / 3_600_000);
  const prepared = prepareWeather(place, weather ?? clearSkyWeather(hoursOfYear(cloudlessYear, offsetHours), place));
  ready = { key, prepared };
  return prepared;
}

/** kWh at the meter and on an account, by month of the year. */
function months(site: Site): { expectedKwh: number[]; shadingKwh: number[] } {
  const prepared = preparedAt(site.place);
  const bins = monthBins(prepared.weather.axis, site.place.timeZone);
  const run = runPrepared(site, prepared, bins);
  const fold = (values: Float64Array): number[] => {
    const out = new Array<number>(12).fill(0);
    bins.keys.forEach((key, b) => {
      out[Number(key.slice(5, 7)) - 1]! += values[b]!;
    });
    return out;
  };
  return { expectedKwh: fold(run.expectedByBinKwh), shadingKwh: fold(run.accountsKwh.shading) };
}

const total = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
const less = (a: readonly number[], b: readonly number[]): number[] => a.map((value, m) => value - b[m]!);

/** A site without one of its obstacles, or without its horizon. */
function without(site: Site, id: string): Site {
  if (id === "horizon") return { ...site, horizon: [], arrays: site.arrays.map((array) => ({ ...array, horizon: [] })) };
  const [arrayId, place] = id.split("#");
  if (place === undefined) return { ...site, obstacles: site.obstacles.filter((obstacle) => obstacle.id !== id) };
  return {
    ...site,
    arrays: site.arrays.map((array) =>
      array.id === arrayId ? { ...array, obstacles: array.obstacles.filter((_, k) => String(k) !== place) } : array,
    ),
  };
}

/** Names of all that shades: obstacles of the plan, those of each array, the horizon. */
function shaders(site: Site): string[] {
  const own = site.arrays.flatMap((array) => array.obstacles.map((_, k) => `${array.id}#${k}`));
  const drawn = site.horizon.length > 0 || site.arrays.some((array) => array.horizon.length > 0);
  return [...site.obstacles.map((obstacle) => obstacle.id), ...own, ...(drawn ? ["horizon"] : [])];
}

const sumOf = (days: Float64Array): number => days.reduce((a, b) => a + b, 0);

function winterOf(monthsKwh: readonly number[], latitudeDeg: number): number {
  return monthsKwh.reduce((sum, kwh, m) => sum + (isWinterHalf(m, latitudeDeg) ? kwh : 0), 0);
}

function planOf(
  held: EnergyTable,
  site: Site,
  school: TiltPlan["school"],
  positions: number,
  steps: readonly TiltStep[],
  days: Float64Array,
): TiltPlan {
  const monthsKwh = byMonth(days);
  const changes =
    school === "simulated" && positions > 1 ? steps.map((_, k) => [7, 14, 21, 28].map((late) => lateCostKwh(held, steps, k, late))) : [];
  return {
    school,
    positions,
    steps,
    monthsKwh,
    yearKwh: sumOf(days),
    winterKwh: winterOf(monthsKwh, site.place.latitudeDeg),
    leastKwhPerDay: leastMonthKwhPerDay(days),
    lateKwh: changes,
  };
}

/** Shade, seasons and revisions of a site in a thread of its own, over one year of its weather. */
const engine = {
  /** A year of the book's weather, or none: then a cloudless year. */
  load(bytes: ArrayBuffer | null, year: number): void {
    weather = bytes && unpackWeather(bytes);
    cloudlessYear = year;
    ready = null;
    table = null;
  },

  /** Energy of the year as the site stands. */
  year: (site: Site): number => total(months(site).expectedKwh),

  shade(site: Site): ShadeReport {
    const base = months(site);
    const openSite = { ...site, models: { ...site.models, shading: "none" as const } };
    const open = months(openSite).expectedKwh;
    return {
      expectedKwh: base.expectedKwh,
      openKwh: open,
      accountKwh: base.shadingKwh,
      byRule: RULES.map((rule) => ({
        rule,
        lostKwh: total(open) - total(months({ ...site, models: { ...site.models, shading: rule } }).expectedKwh),
      })),
      costs: shaders(site).map((id) => ({ id, monthsKwh: less(months(without(site, id)).expectedKwh, base.expectedKwh) })),
    };
  },

  /** What each revision is worth, on top of those before it. */
  revisions(site: Site): RevisionEffect[] {
    const order = site.revisions.map((revision, k) => ({ revision, k })).sort((a, b) => a.revision.from.localeCompare(b.revision.from));
    let stood: Site = { ...site, revisions: [] };
    let beforeKwh = total(months(stood).expectedKwh);
    const out: RevisionEffect[] = [];
    for (const { revision, k } of order) {
      stood = mergeChange(stood, revision.change);
      const afterKwh = total(months(stood).expectedKwh);
      out[k] = { beforeKwh, afterKwh };
      beforeKwh = afterKwh;
    }
    return out;
  },

  /** Years of several sites that differ in how their modules are placed. */
  planes: (sites: readonly Site[]): PlaneYear[] =>
    sites.map((site) => {
      const { expectedKwh } = months(site);
      return { yearKwh: total(expectedKwh), winterKwh: winterOf(expectedKwh, site.place.latitudeDeg), monthsKwh: expectedKwh };
    }),

  /**
   * Runs the site at every tilt of one array, then every school and the simulated best of every count of positions. A newer call ends an
   * older one, which then answers null; `cancel` ends it too.
   */
  async planner(
    site: Site,
    arrayId: string,
    goal: TiltGoal,
    priceByMonth: readonly number[] | null,
    onProgress: (done: number) => void,
  ): Promise<PlannerReport | null> {
    const mine = ++turn;
    const key = JSON.stringify([site, arrayId]);
    if (table?.key !== key) {
      let told = performance.now();
      const made = await energyTable(site, preparedAt(site.place), arrayId, async (done) => {
        if (performance.now() - told < 60) return true;
        onProgress(done * 0.8);
        await new Promise((resolve) => setTimeout(resolve));
        told = performance.now();
        return mine === turn;
      });
      if (!made) return null;
      table = { key, table: made };
    }
    const held = table.table;
    const latitudeDeg = site.place.latitudeDeg;
    const plans: TiltPlan[] = [planOf(held, site, "as-is", 0, [], held.asIsKwh)];
    for (const positions of POSITIONS) {
      for (const school of ["latitude", "latitude-15", "polynomial"] as const) {
        const steps = schoolSchedule(school, positions, latitudeDeg);
        if (steps) plans.push(planOf(held, site, school, positions, steps, scheduleKwh(held, steps)));
      }
      const steps = bestSchedule(held, { goal, positions, latitudeDeg, priceByMonth });
      plans.push(planOf(held, site, "simulated", positions, steps, scheduleKwh(held, steps)));
      onProgress(0.8 + 0.05 * (POSITIONS.indexOf(positions) + 1));
      await new Promise((resolve) => setTimeout(resolve));
      if (mine !== turn) return null;
    }
    return { goal, plans, days: held.days };
  },

  cancel(): void {
    turn++;
  },
};

export type GeometryEngine = typeof engine;
expose(engine);
