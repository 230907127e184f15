"use client";

import type { Remote } from "comlink";
import type { Climate } from "@/core/weather";
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

/** The geometry engine in a web worker, with one year of the book's weather; `year` null: one of a climate, or a cloudless one. */
export function useGeometry(slug: string | null, year: string | null, climate: Climate | null = null): GeometryHandle {
  const { engine, refusal, loaded } = useWeatherEngine<GeometryEngine, boolean>({
    spawn: () => new Worker(new URL("./geometry.worker.ts", import.meta.url), { type: "module" }),
    load: (remote, bytes) => remote.load(bytes, year === null ? 2025 : Number(year), climate),
    weather: slug === null || year === null ? null : weatherAddress(slug, year),
    key: `${slug} ${climate}`,
  });
  return { engine, refusal, inPlane: loaded ?? false };
}

/** What the geometry engine answers about a site, the newest question first. */
export const useEngineAnswer = <Q, A>(
  engine: Remote<GeometryEngine> | null,
  question: Q,
  ask: (engine: Remote<GeometryEngine>, question: Q) => Promise<A>,
): A | null => useNewestAnswer(engine, question, ask);
