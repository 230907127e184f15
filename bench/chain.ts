import { execFileSync } from "node:child_process";
import { mkdirSync } from "node:fs";
import path from "node:path";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import type { SiteDocument } from "@/contracts/site";
import { ephemeris, runSun } from "@/core/sun";
import { monthBins } from "@/core/time";
import type { Weather } from "@/core/weather";
import { litSky, planeEnergyKwh, planeTerms, prepareWeather, runPrepared } from "@/core/yield";
import { sampleSite, sampleWeather } from "./sample";
import { twoAtOnce } from "./two-at-once";

export interface ChainFigures {
  /** Nanoseconds an hourly step of a year. */
  readonly computedNs: number;
  readonly cachedNs: number;
  readonly splitNs: number;
  readonly energyNs: number;
  readonly yearMs: number;
  readonly twentyYearsMs: number;
  readonly fiveMinutesMs: number;
  readonly bytesPerInterval: number;
  readonly byYears: readonly { readonly years: number; readonly ms: number }[];
  readonly byArrays: readonly { readonly arrays: number; readonly ms: number }[];
  readonly map: { readonly firstMs: number; readonly wholeMs: number };
  readonly limit: { readonly computedNs: number; readonly cachedNs: number };
}

const TWO_PASSES = 5;
const CHAIN_IN_C = path.join(import.meta.dirname, "out", "chain");

/** How many times as fast two processes of the C loop are as one. Compiled before, with the chain. */
export const twoLoopsInC = (): Promise<number> => twoAtOnce(CHAIN_IN_C, TWO_PASSES);

/** The plain C loop, compiled and run beside ours. */
function limitInC(): ChainFigures["limit"] {
  mkdirSync(path.dirname(CHAIN_IN_C), { recursive: true });
  execFileSync("gcc", ["-O3", "-march=native", path.join(import.meta.dirname, "limit", "chain.c"), "-o", CHAIN_IN_C, "-lm"]);
  return JSON.parse(execFileSync(CHAIN_IN_C, { encoding: "utf8" })) as ChainFigures["limit"];
}

function bestMs(rounds: number, work: () => void): number {
  let least = Number.POSITIVE_INFINITY;
  for (let round = 0; round < rounds; round++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}

/** Milliseconds of a run with every account by month, sun and gaps ready. */
function runMs(site: SiteDocument, weather: Weather, rounds: number): number {
  const prepared = prepareWeather(site.place, weather);
  const bins = monthBins(weather.axis, site.place.timeZone);
  return bestMs(rounds, () => void runPrepared(site, prepared, bins));
}

type StepFigures = Pick<ChainFigures, "computedNs" | "yearMs" | "cachedNs" | "splitNs" | "energyNs">;

/** What one step costs; short, so that many passes fit between a neighbour's bursts on a shared machine. */
function stepFigures(site: SiteDocument, year: Weather): StepFigures {
  const bins = monthBins(year.axis, site.place.timeZone);
  const perStep = (ms: number): number => (ms * 1e6) / year.axis.count;
  // The sun is reckoned from its series each time: a fresh set of yearly tables.
  const computedMs = bestMs(12, () => {
    const sun = runSun(year.axis, site.place, ephemeris());
    runPrepared(site, prepareWeather(site.place, year, sun), bins);
  });
  const prepared = prepareWeather(site.place, year);
  const terms = planeTerms(site);
  const modules = { ...terms, mounting: site.arrays[0]!.mounting };
  const sky = litSky(site, prepared, modules);
  return {
    computedNs: perStep(computedMs),
    yearMs: computedMs,
    cachedNs: perStep(bestMs(20, () => void runPrepared(site, prepared, bins))),
    splitNs: perStep(bestMs(12, () => void litSky(site, prepared, modules))),
    energyNs: perStep(bestMs(60, () => void planeEnergyKwh(sky, terms, 10, 180))),
  };
}

type LongFigures = Omit<ChainFigures, keyof StepFigures | "limit" | "bytesPerInterval">;

/** Long runs, growth with years and arrays, and the map. */
function longFigures(site: SiteDocument, year: Weather): LongFigures {
  const copies = (count: number): SiteDocument => {
    const arrays = Array.from({ length: count }, (_, k) => ({ ...site.arrays[0]!, id: `a${k}`, azimuthDeg: (180 + 7 * k) % 360 }));
    return { ...site, arrays, inverters: [{ ...site.inverters[0]!, arrays: arrays.map((array) => array.id), acRatedW: 43_000 * count }] };
  };
  return {
    twentyYearsMs: runMs(site, sampleWeather(site, 20, 60), 6),
    fiveMinutesMs: runMs(site, sampleWeather(site, 10, 5), 3),
    byYears: [1, 2, 5, 10, 20].map((years) => ({ years, ms: runMs(site, sampleWeather(site, years, 60), 6) })),
    byArrays: [1, 2, 4, 8].map((arrays) => ({ arrays, ms: runMs(copies(arrays), year, 20) })),
    map: measureMap(site, prepareWeather(site.place, year)),
  };
}

/** The orientation map as the worker draws it: a coarse picture first, then every plane. */
function measureMap(site: SiteDocument, prepared: ReturnType<typeof prepareWeather>): ChainFigures["map"] {
  const draw = (tiltStep: number, azimuthStep: number): number =>
    bestMs(2, () => {
      const terms = planeTerms(site);
      const sky = litSky(site, prepared, { ...terms, mounting: "open-rack" });
      for (let tilt = 0; tilt <= 90; tilt += tiltStep) {
        for (let azimuth = 0; azimuth < 360; azimuth += azimuthStep) planeEnergyKwh(sky, terms, tilt, azimuth);
      }
    });
  return { firstMs: draw(15, 30), wholeMs: draw(5, 5) };
}

/** Bytes that a run of ten five-minute years keeps, per interval: weather, sun, bins and result. */
function memory(site: SiteDocument): number {
  setFlagsFromString("--expose-gc");
  const once = runInNewContext("gc") as () => void;
  // Buffers of typed arrays are freed a collection later.
  const collect = (): void => {
    for (let round = 0; round < 6; round++) once();
  };
  collect();
  const before = process.memoryUsage();
  const weather = sampleWeather(site, 10, 5);
  const prepared = prepareWeather(site.place, weather);
  const run = runPrepared(site, prepared, monthBins(weather.axis, site.place.timeZone));
  collect();
  const after = process.memoryUsage();
  const bytes = after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers;
  return bytes / run.axis.count;
}

const STEP_PASSES = 40;
const LONG_PASSES = 5;

/** Best of several passes; the C loop runs before each, so that both meet the same machine. */
export function measureChain(): ChainFigures {
  const site = sampleSite();
  const bytesPerInterval = memory(site);
  const year = sampleWeather(site, 365 / 365.25, 60);
  const steps = Array.from({ length: STEP_PASSES }, () => ({ limit: limitInC(), ...stepFigures(site, year) }));
  const longs = Array.from({ length: LONG_PASSES }, () => longFigures(site, year));
  const least = <T>(rounds: readonly T[], of: (round: T) => number): number => Math.min(...rounds.map(of));
  return {
    bytesPerInterval,
    computedNs: least(steps, (r) => r.computedNs),
    cachedNs: least(steps, (r) => r.cachedNs),
    splitNs: least(steps, (r) => r.splitNs),
    energyNs: least(steps, (r) => r.energyNs),
    yearMs: least(steps, (r) => r.yearMs),
    limit: { computedNs: least(steps, (r) => r.limit.computedNs), cachedNs: least(steps, (r) => r.limit.cachedNs) },
    twentyYearsMs: least(longs, (r) => r.twentyYearsMs),
    fiveMinutesMs: least(longs, (r) => r.fiveMinutesMs),
    byYears: longs[0]!.byYears.map(({ years }, k) => ({ years, ms: least(longs, (r) => r.byYears[k]!.ms) })),
    byArrays: longs[0]!.byArrays.map(({ arrays }, k) => ({ arrays, ms: least(longs, (r) => r.byArrays[k]!.ms) })),
    map: { firstMs: least(longs, (r) => r.map.firstMs), wholeMs: least(longs, (r) => r.map.wholeMs) },
  };
}
