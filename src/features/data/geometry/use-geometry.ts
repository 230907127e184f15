"use client";

import type { Remote } from "comlink";
import { useNewestAnswer } from "@/features/data/newest-answer";
import type { RefusedCall } from "@/features/data/refused-call";
import { useWeatherEngine, weatherAddress } from "@/features/data/weather-engine";
import type { GeometryEngine } from "./geometry.worker";

export interface GeometryHandle {
  readonly engine: Remote<GeometryEngine> | null;
  readonly refusal: RefusedCall | null;
  /** Light was measured in the plane of the modules: nothing can be said of other planes. */
  readonly inPlane: boolean;
}

/** The geometry engine in a web worker, with one year of the book's weather; `year` null: a cloudless year. */
export function useGeometry(slug: string, year: string | null): GeometryHandle {
  const { engine, refusal, loaded } = useWeatherEngine<GeometryEngine, boolean>({
    spawn: () => new Worker(new URL("./geometry.worker.ts", import.meta.url), { type: "module" }),
    load: (remote, bytes) => remote.load(bytes, year === null ? 2025 : Number(year)),
    weather: year === null ? null : weatherAddress(slug, year),
    key: slug,
  });
  return { engine, refusal, inPlane: loaded ?? false };
}

/** What the geometry engine answers about a site, the newest question first. */
export const useEngineAnswer = <Q, A>(
  engine: Remote<GeometryEngine> | null,
  question: Q,
  ask: (engine: Remote<GeometryEngine>, question: Q) => Promise<A>,
): A | null => useNewestAnswer(engine, question, ask);
