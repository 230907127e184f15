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

/** The plain C loop, compiled and run beside ours. */
function limitInC(): ChainFigures["limit"] {
  const out = path.join(import.meta.dirname, "out");
  mkdirSync(out, { recursive: true });
  execFileSync("gcc", ["-O3", "-march=native", path.join(import.meta.dirname, "limit", "chain.c"), "-o", path.join(out, "chain"), "-lm"]);
  return JSON.parse(execFileSync(path.join(out, "chain"), { encoding: "utf8" })) as ChainFigures["limit"];
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

/** One pass over everything; the machine is shared, so the caller takes the best of several. */
function pass(site: SiteDocument): Omit<ChainFigures, "limit" | "bytesPerInterval"> {
  const year = sampleWeather(site, 365 / 365.25, 60);
  const steps = year.axis.count;
  const bins = monthBins(year.axis, site.place.timeZone);
  const perStep = (ms: number): number => (ms * 1e6) / steps;
  // The sun is reckoned from its series each time: a fresh set of yearly tables.
  const computedMs = bestMs(60, () => {
    const sun = runSun(year.axis, site.place, ephemeris());
    runPrepared(site, prepareWeather(site.place, year, sun), bins);
  });
  const prepared = prepareWeather(site.place, year);
  const terms = planeTerms(site);
  const modules = { ...terms, mounting: site.arrays[0]!.mounting };
  const sky = litSky(site, prepared, modules);
  const splitMs = bestMs(60, () => void litSky(site, prepared, modules));
  const energyMs = bestMs(200, () => void planeEnergyKwh(sky, terms, 10, 180));
  const copies = (count: number): SiteDocument => {
    const arrays = Array.from({ length: count }, (_, k) => ({ ...site.arrays[0]!, id: `a${k}`, azimuthDeg: (180 + 7 * k) % 360 }));
    return { ...site, arrays, inverters: [{ ...site.inverters[0]!, arrays: arrays.map((array) => array.id), acRatedW: 43_000 * count }] };
  };
  return {
    computedNs: perStep(computedMs),
    yearMs: computedMs,
    cachedNs: perStep(bestMs(60, () => void runPrepared(site, prepared, bins))),
    splitNs: perStep(splitMs),
    energyNs: perStep(energyMs),
    twentyYearsMs: runMs(site, sampleWeather(site, 20, 60), 6),
    fiveMinutesMs: runMs(site, sampleWeather(site, 10, 5), 3),
    byYears: [1, 2, 5, 10, 20].map((years) => ({ years, ms: runMs(site, sampleWeather(site, years, 60), 6) })),
    byArrays: [1, 2, 4, 8].map((arrays) => ({ arrays, ms: runMs(copies(arrays), year, 20) })),
    map: measureMap(site, prepared),
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
  const collect = runInNewContext("gc") as () => void;
  collect();
  const before = process.memoryUsage();
  const weather = sampleWeather(site, 10, 5);
  const prepared = prepareWeather(site.place, weather);
  const run = runPrepared(site, prepared, monthBins(weather.axis, site.place.timeZone));
  collect();
  const after = process.memoryUsage();
  const bytes = after.heapUsed + after.external - before.heapUsed - before.external;
  return bytes / run.axis.count;
}

const PASSES = 4;

/** Best of several passes, the C loop run before each. */
export function measureChain(): ChainFigures {
  const site = sampleSite();
  const bytesPerInterval = memory(site);
  const rounds = Array.from({ length: PASSES }, () => ({ limit: limitInC(), ...pass(site) }));
  const least = (of: (round: (typeof rounds)[number]) => number): number => Math.min(...rounds.map(of));
  return {
    computedNs: least((r) => r.computedNs),
    cachedNs: least((r) => r.cachedNs),
    splitNs: least((r) => r.splitNs),
    energyNs: least((r) => r.energyNs),
    yearMs: least((r) => r.yearMs),
    twentyYearsMs: least((r) => r.twentyYearsMs),
    fiveMinutesMs: least((r) => r.fiveMinutesMs),
    bytesPerInterval,
    byYears: rounds[0]!.byYears.map(({ years }, k) => ({ years, ms: least((r) => r.byYears[k]!.ms) })),
    byArrays: rounds[0]!.byArrays.map(({ arrays }, k) => ({ arrays, ms: least((r) => r.byArrays[k]!.ms) })),
    map: { firstMs: least((r) => r.map.firstMs), wholeMs: least((r) => r.map.wholeMs) },
    limit: { computedNs: least((r) => r.limit.computedNs), cachedNs: least((r) => r.limit.cachedNs) },
  };
}
