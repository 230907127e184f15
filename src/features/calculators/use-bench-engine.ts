"use client";

import type { Remote } from "comlink";
import type { SiteDocument } from "@/contracts/site";
import { useNewestAnswer } from "@/features/data/newest-answer";
import { useWeatherEngine, type WeatherEngine, weatherAddress } from "@/features/data/weather-engine";
import type { BenchEngine } from "./bench.worker";

/** The benches' engine with one year of the book's weather, or all of it. */
export const useBenchEngine = (slug: string, site: SiteDocument, year: string | null): WeatherEngine<BenchEngine> =>
  useWeatherEngine<BenchEngine>({
    spawn: () => new Worker(new URL("./bench.worker.ts", import.meta.url), { type: "module" }),
    load: (engine, bytes) => engine.load(site.place, bytes!),
    weather: year === null ? null : weatherAddress(slug, year),
    waits: year === null,
    key: JSON.stringify(site.place),
  });

export const useBenchAnswer = <Q, A>(
  engine: Remote<BenchEngine> | null,
  question: Q,
  ask: (engine: Remote<BenchEngine>, question: Q) => Promise<A>,
): A | null => useNewestAnswer(engine, question, ask);
