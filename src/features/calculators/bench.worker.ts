import { expose } from "comlink";
import type { MixedStrings } from "@/contracts/mixed-string";
import { unpackWeather } from "@/contracts/weather-wire";
import { type Mistake, type MistakeCost, mistakeCost, mixedYearOnSite } from "@/core/comparison";
import { type MixedYear, squaredHours } from "@/core/electrical";
import { type GearGround, type GearStanding, type GearYear, gearGround, gearYear, type HeatLimit } from "@/core/gear";
import type { Site } from "@/core/site";
import { monthBins } from "@/core/time";
import { HOURS_PER_YEAR } from "@/core/units";
import { type Climate, skyWithoutFile } from "@/core/weather";
import {
  type AlbedoGain,
  albedoGain,
  type ClearingNow,
  clearingNow,
  hourProfile,
  monthSums,
  type PreparedWeather,
  prepareWeather,
  runPrepared,
  type StormReport,
  stormReport,
  sumOf,
  type TypedStorm,
  typedStorms,
} from "@/core/yield";

let prepared: PreparedWeather | null = null;
let years = 1;
/** The sun around the gear of one site, for all the places that it could stand in. */
let ground: { key: string; of: GearGround } | null = null;

const ready = (): PreparedWeather => {
  if (!prepared) throw new Error("The engine was asked before it was loaded");
  return prepared;
};
const arrayOf = (site: Site, id: string) => site.arrays.find((array) => array.id === id) ?? site.arrays[0]!;
const aYear = (kwh: readonly number[]): number[] => kwh.map((each) => each / years);

/** What the benches reckon over the book's weather, a climate or a cloudless year, in a thread of its own. */
const engine = {
  load(place: Site["place"], bytes: ArrayBuffer | null, climate: Climate | null): void {
    const weather = bytes ? unpackWeather(bytes) : skyWithoutFile(climate, place);
    prepared = prepareWeather(place, weather);
    ground = null;
    years = Math.max(1, Math.round((weather.axis.count * weather.axis.stepMinutes) / 60 / HOURS_PER_YEAR));
  },

  storms: (site: Site, arrayId: string): StormReport[] | null => stormReport(site, arrayOf(site, arrayId), ready()),

  typedStorms: (site: Site, arrayId: string, typed: readonly TypedStorm[]): StormReport[] =>
    typedStorms(site, arrayOf(site, arrayId), ready(), typed),

  clearing: (site: Site, arrayId: string, dayOfYear: string): ClearingNow | null =>
    clearingNow(site, arrayOf(site, arrayId), ready(), dayOfYear),

  albedo: (site: Site, arrayId: string, tiltsDeg: readonly number[], snowAlbedo: readonly number[] | null): AlbedoGain[] =>
    albedoGain(site, arrayOf(site, arrayId), ready(), tiltsDeg, snowAlbedo).map(({ tiltDeg, gainKwh, bareKwh }) => ({
      tiltDeg,
      gainKwh: aYear(gainKwh),
      bareKwh: aYear(bareKwh),
    })),

  profile: (site: Site): number[][] => hourProfile(site, ready()),

  /** Years of several sites, kWh at the meter. */
  years: (sites: readonly Site[]): number[] => sites.map((site) => sumOf(monthSums(site, ready()).expectedKwh) / years),

  /** Hours a year at full power that heat a cable as much as the year does. */
  squared(site: Site, fullW: number): number {
    const { axis } = ready().weather;
    const { expectedKwh } = runPrepared(site, ready(), monthBins(axis, site.place.timeZone));
    const hours = axis.stepMinutes / 60;
    return (
      squaredHours(
        expectedKwh.map((kwh) => (kwh * 1000) / hours),
        hours,
        fullW,
      ) / years
    );
  },

  /** A year of the gear in each of some places. */
  gear(site: Site, efficiencyFrac: number, standings: readonly GearStanding[], limit: HeatLimit): GearYear[] {
    const key = JSON.stringify([site, efficiencyFrac]);
    if (ground?.key !== key) ground = { key, of: gearGround(site, ready(), efficiencyFrac) };
    const { of } = ground;
    return standings.map((standing) => gearYear(standing, of, limit, years));
  },

  /** What one mistake costs a year. */
  mistake: (site: Site, arrayId: string, mistake: Mistake): MistakeCost | null =>
    mistakeCost(site, arrayOf(site, arrayId), ready(), mistake, years),

  /** A year of mixed strings under the sun there is, for every way of connecting them; null where a module's datasheet is too thin. */
  mixed: (site: Site, ways: readonly MixedStrings[]): (MixedYear | null)[] =>
    ways.map((strings) => mixedYearOnSite(site, ready(), strings, years)),
};

export type BenchEngine = typeof engine;
expose(engine);
