"use client";

import { proxy, type Remote, wrap } from "comlink";
import { useEffect, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import type { WhatIf, YieldLine } from "@/core/yield";
import { asRefused, type RefusedCall, refusalFrom } from "@/features/api";
import { useNewestAnswer } from "@/features/newest-answer";
import type { YieldEngine } from "./engine.worker";
import type { MapPart } from "./engine-types";

export interface EngineHandle {
  readonly engine: Remote<YieldEngine> | null;
  readonly refusal: RefusedCall | null;
}

/** The chain in a web worker, loaded with one year of the book's weather; null until it is ready. */
export function useEngine(slug: string, site: SiteDocument, year: string): EngineHandle {
  const [handle, setHandle] = useState<EngineHandle>({ engine: null, refusal: null });
  // A refreshed page brings an equal site as another object; only another text is another site.
  const text = JSON.stringify(site);
  useEffect(() => {
    const worker = new Worker(new URL("./engine.worker.ts", import.meta.url), { type: "module" });
    const engine = wrap<YieldEngine>(worker);
    let stopped = false;
    const load = async (): Promise<void> => {
      const response = await fetch(`/api/books/${slug}/weather?year=${year}`);
      if (!response.ok) throw await refusalFrom(response);
      await engine.load(JSON.parse(text) as SiteDocument, await response.arrayBuffer());
      if (!stopped) setHandle({ engine, refusal: null });
    };
    load().catch((error: unknown) => {
      if (!stopped) setHandle({ engine: null, refusal: asRefused(error) });
    });
    return () => {
      stopped = true;
      worker.terminate();
    };
  }, [slug, text, year]);
  return handle;
}

/** Months under a what-if. */
export const useAnswer = (engine: Remote<YieldEngine> | null, whatIf: WhatIf): readonly YieldLine[] | null =>
  useNewestAnswer(engine, whatIf, (remote, asked) => remote.run(asked));

/** The orientation map as it grows. `whatIf` without tilt and azimuth, so that turning an array does not draw it anew. */
export function useOrientationMap(engine: Remote<YieldEngine> | null, whatIf: WhatIf): MapPart | null | "in-plane" {
  const [part, setPart] = useState<MapPart | null | "in-plane">(null);
  const key = JSON.stringify(whatIf);
  useEffect(() => {
    if (!engine) return;
    let stale = false;
    let got = false;
    const take = (next: MapPart): void => {
      got = true;
      if (!stale) setPart(next);
    };
    void engine.map(JSON.parse(key) as WhatIf, proxy(take)).then((done) => {
      if (!done && !got && !stale) setPart("in-plane");
    });
    return () => {
      stale = true;
    };
  }, [engine, key]);
  return part;
}
