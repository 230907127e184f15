"use client";

import { type Remote, transfer, wrap } from "comlink";
import { useEffect, useState } from "react";
import type { ChangeDays } from "@/contracts/trial";
import type { TrialReport } from "@/core/trial";
import { asRefused, call, type RefusedCall, refusalFrom } from "@/features/api";
import type { ChangeAnswer, TrialEngine } from "./trial.worker";

function useEngine(): Remote<TrialEngine> | null {
  const [engine, setEngine] = useState<Remote<TrialEngine> | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL("./trial.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<TrialEngine>(worker);
    setEngine(() => remote);
    return () => worker.terminate();
  }, []);
  return engine;
}

export interface Answered<T> {
  readonly answer: T | null;
  readonly refusal: RefusedCall | null;
  readonly busy: boolean;
}

/** What an address and the worker make of a question; the newest question's answer alone counts. */
function useAnswer<T>(
  engine: Remote<TrialEngine> | null,
  address: string | null,
  work: (engine: Remote<TrialEngine>, address: string) => Promise<T>,
): Answered<T> {
  const [state, setState] = useState<Answered<T> & { readonly of: string | null }>({ answer: null, refusal: null, busy: false, of: null });
  useEffect(() => {
    if (!engine || address === null) return;
    let stale = false;
    setState((held) => ({ ...held, busy: true }));
    work(engine, address)
      .then((answer) => {
        if (!stale) setState({ answer, refusal: null, busy: false, of: address });
      })
      .catch((error: unknown) => {
        if (!stale) setState({ answer: null, refusal: asRefused(error), busy: false, of: address });
      });
    return () => {
      stale = true;
    };
  }, [engine, address, work]);
  return state.of === address ? state : { answer: null, refusal: null, busy: address !== null };
}

async function trialOf(engine: Remote<TrialEngine>, address: string): Promise<TrialReport | null> {
  const response = await fetch(address);
  if (!response.ok) throw await refusalFrom(response);
  const bytes = await response.arrayBuffer();
  return engine.trial(transfer(bytes, [bytes]));
}

const changeOf = async (engine: Remote<TrialEngine>, address: string): Promise<ChangeAnswer | null> =>
  engine.change(await call<ChangeDays>("GET", address));

export const useTrial = (address: string | null): Answered<TrialReport | null> => useAnswer(useEngine(), address, trialOf);
export const useChange = (address: string | null): Answered<ChangeAnswer | null> => useAnswer(useEngine(), address, changeOf);
