"use client";

import { proxy, type Remote } from "comlink";
import { useEffect, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import type { WhatIf, YieldLine } from "@/core/yield";
import { useNewestAnswer } from "@/features/data/newest-answer";
import { useWeatherEngine, type WeatherEngine, weatherAddress } from "@/features/data/weather-engine";
import type { YieldEngine } from "./engine.worker";
import type { MapPart } from "./engine-types";

export type EngineHandle = WeatherEngine<YieldEngine>;

/** The chain in a web worker, loaded with one year of the book's weather; null until it is ready. */
export const useEngine = (slug: string, site: SiteDocument, year: string): EngineHandle =>
  useWeatherEngine<YieldEngine>({
    spawn: () => new Worker(new URL("./engine.worker.ts", import.meta.url), { type: "module" }),
    load: (engine, bytes) => engine.load(site, bytes!),
    weather: weatherAddress(slug, year),
    waits: year === "",
    // A refreshed page brings an equal site as another object; only another text is another site.
    key: JSON.stringify(site),
  });

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
