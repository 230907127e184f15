"use client";

import type { Remote } from "comlink";
import type { SiteDocument } from "@/contracts/site";
import { useNewestAnswer } from "@/features/data/newest-answer";
import { useWeatherEngine, type WeatherEngine, weatherAddress } from "@/features/data/weather-engine";
import type { BenchEngine } from "./bench.worker";
import type { BenchSun } from "./bench-sun";

/** The benches' engine with the sun that there is: a year of the book's weather or all of it, a climate's, a cloudless one. */
export const useBenchEngine = (
  slug: string | null,
  site: SiteDocument,
  { year, climate }: Pick<BenchSun, "year" | "climate">,
): WeatherEngine<BenchEngine> =>
  useWeatherEngine<BenchEngine>({
    spawn: () => new Worker(new URL("./bench.worker.ts", import.meta.url), { type: "module" }),
    load: (engine, bytes) => engine.load(site.place, bytes, climate),
    weather: slug === null || year === null ? null : weatherAddress(slug, year),
    key: JSON.stringify([site.place, climate]),
  });

export const useBenchAnswer = <Q, A>(
  engine: Remote<BenchEngine> | null,
  question: Q,
  ask: (engine: Remote<BenchEngine>, question: Q) => Promise<A>,
): A | null => useNewestAnswer(engine, question, ask);
