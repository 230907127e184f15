"use client";

import { type Remote, wrap } from "comlink";
import { useEffect, useState } from "react";
import { asRefused, type RefusedCall, refusalFrom } from "@/features/api";
import { useNewestAnswer } from "@/features/newest-answer";
import type { GeometryEngine } from "./geometry.worker";

export interface GeometryHandle {
  readonly engine: Remote<GeometryEngine> | null;
  readonly refusal: RefusedCall | null;
  /** Light was measured in the plane of the modules: nothing can be said of other planes. */
  readonly inPlane: boolean;
}

/** The geometry engine in a web worker, with one year of the book's weather; `year` null: a cloudless year. */
export function useGeometry(slug: string, year: string | null): GeometryHandle {
  const [handle, setHandle] = useState<GeometryHandle>({ engine: null, refusal: null, inPlane: false });
  useEffect(() => {
    const worker = new Worker(new URL("./geometry.worker.ts", import.meta.url), { type: "module" });
    const engine = wrap<GeometryEngine>(worker);
    let stopped = false;
    const load = async (): Promise<void> => {
      const response = year === null ? null : await fetch(`/api/books/${slug}/weather?year=${year}`);
      if (response && !response.ok) throw await refusalFrom(response);
      const inPlane = await engine.load(response ? await response.arrayBuffer() : null, year === null ? 2025 : Number(year));
      if (!stopped) setHandle({ engine, refusal: null, inPlane });
    };
    load().catch((error: unknown) => {
      if (!stopped) setHandle({ engine: null, refusal: asRefused(error), inPlane: false });
    });
    return () => {
      stopped = true;
      worker.terminate();
    };
  }, [slug, year]);
  return handle;
}

/** What the geometry engine answers about a site, the newest question first. */
export const useEngineAnswer = <Q, A>(
  engine: Remote<GeometryEngine> | null,
  question: Q,
  ask: (engine: Remote<GeometryEngine>, question: Q) => Promise<A>,
): A | null => useNewestAnswer(engine, question, ask);
