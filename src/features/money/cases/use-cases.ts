"use client";

import type { Remote } from "comlink";
import type { SiteDocument } from "@/contracts/site";
import type { BenchSun } from "@/features/calculators/bench-sun";
import { useNewestAnswer } from "@/features/data/newest-answer";
import { useWeatherEngine, type WeatherEngine, weatherAddress } from "@/features/data/weather-engine";
import type { CaseAnswer, CaseEngine, CaseQuestion } from "./cases.worker";

/** The decision engine with the book's weather, or a sun that was chosen, scaled to what is counted in a year; null until it is ready. */
export const useCaseEngine = (
  slug: string,
  site: SiteDocument,
  { year, climate }: Pick<BenchSun, "year" | "climate">,
  countedKwh: number | null,
): WeatherEngine<CaseEngine> =>
  useWeatherEngine<CaseEngine>({
    spawn: () => new Worker(new URL("./cases.worker.ts", import.meta.url), { type: "module" }),
    load: (engine, bytes) => engine.load(site, bytes, climate, countedKwh),
    weather: year === null ? null : weatherAddress(slug, "all"),
    key: JSON.stringify([site, climate, countedKwh]),
  });

export const useCaseAnswer = (engine: Remote<CaseEngine> | null, question: CaseQuestion): CaseAnswer | null =>
  useNewestAnswer(engine, question, (remote, asked): Promise<CaseAnswer> => remote.answer(asked));
