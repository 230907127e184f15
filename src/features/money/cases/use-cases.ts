"use client";

import { type Remote, wrap } from "comlink";
import { useEffect, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { asRefused, type RefusedCall, refusalFrom } from "@/features/api";
import { useNewestAnswer } from "@/features/newest-answer";
import type { CaseAnswer, CaseEngine, CaseQuestion } from "./cases.worker";

/** The decision engine with one year of the book's weather; null until it is ready or where there is no weather. */
export function useCaseEngine(
  slug: string,
  site: SiteDocument,
  year: string | null,
): { engine: Remote<CaseEngine> | null; refusal: RefusedCall | null } {
  const [held, setHeld] = useState<{ engine: Remote<CaseEngine> | null; refusal: RefusedCall | null }>({ engine: null, refusal: null });
  const text = JSON.stringify(site);
  useEffect(() => {
    if (year === null) return;
    const worker = new Worker(new URL("./cases.worker.ts", import.meta.url), { type: "module" });
    const engine = wrap<CaseEngine>(worker);
    let stopped = false;
    const load = async (): Promise<void> => {
      const response = await fetch(`/api/books/${slug}/weather?year=${year}`);
      if (!response.ok) throw await refusalFrom(response);
      await engine.load(JSON.parse(text) as SiteDocument, await response.arrayBuffer());
      if (!stopped) setHeld({ engine, refusal: null });
    };
    load().catch((error: unknown) => {
      if (!stopped) setHeld({ engine: null, refusal: asRefused(error) });
    });
    return () => {
      stopped = true;
      worker.terminate();
    };
  }, [slug, text, year]);
  return held;
}

export const useCaseAnswer = (engine: Remote<CaseEngine> | null, question: CaseQuestion): CaseAnswer | null =>
  useNewestAnswer(engine, question, (remote, asked) => remote.answer(asked));
