"use client";

import type { Remote } from "comlink";
import { useEffect, useRef, useState } from "react";
import { askBytes } from "./ask";
import { asRefused, type RefusedCall } from "./refused-call";
import { openWorker } from "./worker-bridge";

export interface WeatherEngine<E, Loaded = void> {
  /** Null until it is ready, and where there is no weather for it. */
  readonly engine: Remote<E> | null;
  readonly refusal: RefusedCall | null;
  /** What loading told. */
  readonly loaded: Loaded | null;
}

export interface WeatherEngineTerms<E, Loaded> {
  /** The worker's own file has to stand in the caller's code, or the bundler does not see it. */
  readonly spawn: () => Worker;
  /** Hands the weather over; null bytes where no year was asked for. */
  readonly load: (engine: Remote<E>, bytes: ArrayBuffer | null) => Promise<Loaded>;
  /** Address of the weather; null: the engine starts without. */
  readonly weather: string | null;
  /** Not yet: no engine is begun. */
  readonly waits?: boolean;
  /** Whatever else the engine is loaded with: a change of it starts another. */
  readonly key: string;
}

export const weatherAddress = (slug: string, year: string): string => `/api/books/${slug}/weather?year=${year}`;

/** An engine in a web worker, loaded with weather of the book; another book, year or key ends it and starts the next. */
export function useWeatherEngine<E, Loaded = void>(terms: WeatherEngineTerms<E, Loaded>): WeatherEngine<E, Loaded> {
  const [current, setCurrent] = useState<WeatherEngine<E, Loaded>>({ engine: null, refusal: null, loaded: null });
  const how = useRef(terms);
  useEffect(() => {
    how.current = terms;
  });
  const { weather, key, waits = false } = terms;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for what `load` closes over
  useEffect(() => {
    if (waits) return;
    const { engine, end } = openWorker<E>(how.current.spawn);
    let stopped = false;
    const start = async (): Promise<void> => {
      const loaded = await how.current.load(engine, weather === null ? null : await askBytes(weather));
      if (!stopped) setCurrent({ engine, refusal: null, loaded });
    };
    start().catch((error: unknown) => {
      if (!stopped) setCurrent({ engine: null, refusal: asRefused(error), loaded: null });
    });
    return () => {
      stopped = true;
      end();
    };
  }, [weather, key, waits]);
  return current;
}
