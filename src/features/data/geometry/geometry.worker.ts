import { expose } from "comlink";
import type { PlaneYear } from "@/contracts/plane-year";
import { unpackWeather } from "@/contracts/weather-wire";
import type { Place, Site } from "@/core/site";
import { type EnergyTable, energyTable, type PlannerReport, plannerReport, type TiltGoal, winterKwhOf } from "@/core/tilt";
import { type Climate, skyWithoutFile, type Weather } from "@/core/weather";
import {
  monthSums,
  type PreparedWeather,
  prepareWeather,
  type RevisionEffect,
  revisionEffects,
  type ShadeReport,
  shadeReport,
  sumOf,
} from "@/core/yield";

/** The interface hears of progress, and may end the work, about this often. */
const BREATH_MS = 60;

let weather: Weather | null = null;
let climate: Climate | null = null;
let anyYear = 2025;
let ready: { key: string; prepared: PreparedWeather } | null = null;
let table: { key: string; table: EnergyTable } | null = null;
let turn = 0;

/** The loaded weather under the sun of a place; without any, a year of the climate there, or a cloudless one. */
function preparedAt(place: Place): PreparedWeather {
  const key = JSON.stringify(place);
  if (ready?.key === key) return ready.prepared;
  const prepared = prepareWeather(place, weather ?? skyWithoutFile(climate, place, anyYear));
  ready = { key, prepared };
  return prepared;
}

/** Shade, seasons and revisions of a site in a thread of its own, over one year of its weather. */
const engine = {
  /** A year of the book's weather, or none: then one of a climate, or a cloudless one. Tells whether its light was measured in the plane of the modules. */
  load(bytes: ArrayBuffer | null, year: number, ofClimate: Climate | null): boolean {
    weather = bytes && unpackWeather(bytes);
    climate = ofClimate;
    anyYear = year;
    ready = null;
    table = null;
    return weather !== null && weather.poaWm2 !== null;
  },

  shade: (site: Site): ShadeReport => shadeReport(site, preparedAt(site.place)),

  revisions: (site: Site): RevisionEffect[] => revisionEffects(site, preparedAt(site.place)),

  /** Years of several sites that differ in how their modules are placed. */
  planes: (sites: readonly Site[]): PlaneYear[] =>
    sites.map((site) => {
      const { expectedKwh } = monthSums(site, preparedAt(site.place));
      return { yearKwh: sumOf(expectedKwh), winterKwh: winterKwhOf(expectedKwh, site.place.latitudeDeg), monthsKwh: expectedKwh };
    }),

  /** All plans for a rack; a newer call, or `cancel`, ends an older one, which then answers null. */
  async planner(
    site: Site,
    arrayId: string,
    goal: TiltGoal,
    priceByMonth: readonly number[] | null,
    onProgress: (done: number) => void,
  ): Promise<PlannerReport | null> {
    const mine = ++turn;
    let lastReportMs = performance.now();
    const breathe = async (done: number): Promise<boolean> => {
      if (performance.now() - lastReportMs < BREATH_MS) return true;
      onProgress(done);
      await new Promise((resolve) => setTimeout(resolve));
      lastReportMs = performance.now();
      return mine === turn;
    };
    const key = JSON.stringify([site, arrayId]);
    if (table?.key !== key) {
      const made = await energyTable(site, preparedAt(site.place), arrayId, (done) => breathe(done * 0.8));
      if (!made) return null;
      table = { key, table: made };
    }
    return plannerReport(table.table, site, { goal, priceByMonth }, breathe);
  },

  cancel(): void {
    turn++;
  },
};

export type GeometryEngine = typeof engine;
expose(engine);
