import { expose } from "comlink";
import type { MixedStrings } from "@/contracts/mixed-string";
import { unpackWeather } from "@/contracts/weather-wire";
import { mixedYearOnSite } from "@/core/comparison";
import { type MixedYear, squaredHours } from "@/core/electrical";
import type { Site } from "@/core/site";
import { monthBins } from "@/core/time";
import { HOURS_PER_YEAR } from "@/core/units";
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
} from "@/core/yield";

let prepared: PreparedWeather | null = null;
let years = 1;

const ready = (): PreparedWeather => {
  if (!prepared) throw new Error("The engine was asked before it was loaded");
  return prepared;
};
const arrayOf = (site: Site, id: string) => site.arrays.find((array) => array.id === id) ?? site.arrays[0]!;
const aYear = (kwh: readonly number[]): number[] => kwh.map((each) => each / years);

/** What the benches reckon over the book's weather, in a thread of its own. */
const engine = {
  load(place: Site["place"], bytes: ArrayBuffer): void {
    const weather = unpackWeather(bytes);
    prepared = prepareWeather(place, weather);
    years = Math.max(1, Math.round((weather.axis.count * weather.axis.stepMinutes) / 60 / HOURS_PER_YEAR));
  },

  storms: (site: Site, arrayId: string): StormReport[] | null => stormReport(site, arrayOf(site, arrayId), ready()),

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

  /** A year of mixed strings on the site's weather; null where a module's datasheet is too thin. */
  mixed: (site: Site, strings: MixedStrings): MixedYear | null => mixedYearOnSite(site, ready(), strings, years),
};

export type BenchEngine = typeof engine;
expose(engine);
