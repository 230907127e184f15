"use client";

import type { Remote } from "comlink";
import type { SiteDocument } from "@/contracts/site";
import { useNewestAnswer } from "@/features/data/newest-answer";
import { useWeatherEngine, type WeatherEngine, weatherAddress } from "@/features/data/weather-engine";
import type { CaseAnswer, CaseEngine, CaseQuestion } from "./cases.worker";

/** The decision engine with the last years of the book's weather; null until it is ready or where there is no weather. */
export const useCaseEngine = (slug: string, site: SiteDocument, year: string | null): WeatherEngine<CaseEngine> =>
  useWeatherEngine<CaseEngine>({
    spawn: () => new Worker(new URL("./cases.worker.ts", import.meta.url), { type: "module" }),
    load: (engine, bytes) => engine.load(site, bytes!),
    weather: year === null ? null : weatherAddress(slug, "all"),
    waits: year === null,
    key: JSON.stringify(site),
  });

export const useCaseAnswer = (engine: Remote<CaseEngine> | null, question: CaseQuestion): CaseAnswer | null =>
  useNewestAnswer(engine, question, (remote, asked) => remote.answer(asked));
