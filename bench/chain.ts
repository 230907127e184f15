import { execFileSync } from "node:child_process";
import { mkdirSync } from "node:fs";
import path from "node:path";
import { runSun } from "@/core/sun";
import { monthBins } from "@/core/time";
import type { Weather } from "@/core/weather";
import { prepareWeather, runPrepared, runYield } from "@/core/yield";
import { parseSite } from "@/formats/site-json";
import { DEMO_BOOKS } from "@/standins";

export interface ChainFigures {
  readonly computedNs: number;
  readonly cachedNs: number;
  readonly yearMs: number;
  readonly limit: { readonly computedNs: number; readonly cachedNs: number };
}

/** The plain C loop, compiled and run beside ours. */
function limitInC(): ChainFigures["limit"] {
  const out = path.join(import.meta.dirname, "out");
  mkdirSync(out, { recursive: true });
  execFileSync("gcc", ["-O3", "-march=native", path.join(import.meta.dirname, "limit", "chain.c"), "-o", path.join(out, "chain"), "-lm"]);
  return JSON.parse(execFileSync(path.join(out, "chain"), { encoding: "utf8" })) as ChainFigures["limit"];
}

function best(rounds: number, work: () => void): number {
  let least = Number.POSITIVE_INFINITY;
  for (let round = 0; round < rounds; round++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}

/** Nanoseconds an hourly step of the whole chain, every account by month; best of many rounds, as the C loop beside it. */
export function measureChain(): ChainFigures {
  const reading = parseSite(DEMO_BOOKS[0]!.site);
  if (!reading.ok) throw new Error("The demo site does not parse.");
  const site = reading.document;
  const axis = { startUtcMs: Date.UTC(2023, 0, 1), stepMinutes: 60, count: 8760 };
  const sun = runSun(axis, site.place);
  const fill = (value: number): Float64Array => new Float64Array(axis.count).fill(value);
  const ghiWm2 = Float64Array.from(sun.up, (up, i) => Math.max(0, up) * sun.extraterrestrialWm2[i]! * 0.7);
  const weather: Weather = { axis, ghiWm2, dniWm2: null, dhiWm2: null, poaWm2: null, airTempC: fill(18), windSpeedMs: fill(2) };
  const bins = monthBins(axis, site.place.timeZone);
  const prepared = prepareWeather(site.place, weather, sun);
  const computedMs = best(60, () => void runYield(site, weather, bins));
  const cachedMs = best(60, () => void runPrepared(site, prepared, bins));
  return { computedNs: (computedMs * 1e6) / axis.count, cachedNs: (cachedMs * 1e6) / axis.count, yearMs: computedMs, limit: limitInC() };
}
