"use client";

import { type Remote, transfer, wrap } from "comlink";
import { useEffect, useState } from "react";
import type { ChangeDays } from "@/contracts/trial";
import type { TrialReport } from "@/core/trial";
import { asRefused, call, type RefusedCall, refusalFrom } from "@/features/data/api";
import type { ChangeAnswer, TrialEngine } from "./trial.worker";

/** Begins a worker, does one piece of work, and ends it. */
async function inWorker<T>(work: (engine: Remote<TrialEngine>) => Promise<T>): Promise<T> {
  const worker = new Worker(new URL("./trial.worker.ts", import.meta.url), { type: "module" });
  try {
    return await work(wrap<TrialEngine>(worker));
  } finally {
    worker.terminate();
  }
}

export interface Answered<T> {
  readonly answer: T | null;
  readonly refusal: RefusedCall | null;
  readonly busy: boolean;
}

/** What an address and the worker make of a question; the newest question's answer alone counts. */
function useAnswer<T>(address: string | null, work: (address: string) => Promise<T>): Answered<T> {
  const [state, setState] = useState<Omit<Answered<T>, "busy"> & { readonly of: string | null }>({ answer: null, refusal: null, of: null });
  useEffect(() => {
    if (address === null) return;
    let stale = false;
    work(address)
      .then((answer) => {
        if (!stale) setState({ answer, refusal: null, of: address });
      })
      .catch((error: unknown) => {
        if (!stale) setState({ answer: null, refusal: asRefused(error), of: address });
      });
    return () => {
      stale = true;
    };
  }, [address, work]);
  return state.of === address ? { ...state, busy: false } : { answer: null, refusal: null, busy: address !== null };
}

async function trialOf(address: string): Promise<TrialReport | null> {
  const response = await fetch(address);
  if (!response.ok) throw await refusalFrom(response);
  const bytes = await response.arrayBuffer();
  return inWorker((engine) => engine.trial(transfer(bytes, [bytes])));
}

async function changeOf(address: string): Promise<ChangeAnswer | null> {
  const days = await call<ChangeDays>("GET", address);
  return inWorker((engine) => engine.change(days));
}

export const useTrial = (address: string | null): Answered<TrialReport | null> => useAnswer(address, trialOf);
export const useChange = (address: string | null): Answered<ChangeAnswer | null> => useAnswer(address, changeOf);
