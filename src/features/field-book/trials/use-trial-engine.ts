"use client";

import { useQuery } from "@tanstack/react-query";
import { transfer } from "comlink";
import { changeDaysSchema } from "@/contracts/trial";
import type { TrialReport } from "@/core/trial";
import { ask, askBytes } from "@/features/data/ask";
import { asRefused, type RefusedCall } from "@/features/data/refused-call";
import { withWorker } from "@/features/data/worker-bridge";
import type { ChangeAnswer, TrialEngine } from "./trial.worker";

const spawn = (): Worker => new Worker(new URL("./trial.worker.ts", import.meta.url), { type: "module" });

export interface Answered<T> {
  readonly answer: T | null;
  readonly refusal: RefusedCall | null;
  readonly busy: boolean;
}

/** What an address and the worker make of a question; the newest question's answer alone counts. */
function useAnswer<T>(address: string | null, work: (address: string, signal: AbortSignal) => Promise<T>): Answered<T> {
  const { data, error, isFetching } = useQuery({
    queryKey: ["trial", address],
    queryFn: async ({ signal }) => ({ answer: await work(address!, signal) }),
    enabled: address !== null,
    retry: false,
  });
  return { answer: data?.answer ?? null, refusal: error ? asRefused(error) : null, busy: isFetching };
}

async function trialOf(address: string, signal: AbortSignal): Promise<TrialReport | null> {
  const bytes = await askBytes(address);
  return withWorker<TrialEngine, TrialReport | null>(spawn, (engine) => engine.trial(transfer(bytes, [bytes])), signal);
}

async function changeOf(address: string, signal: AbortSignal): Promise<ChangeAnswer | null> {
  const days = await ask(changeDaysSchema, address, { signal });
  return withWorker<TrialEngine, ChangeAnswer | null>(spawn, (engine) => engine.change(days), signal);
}

export const useTrial = (address: string | null): Answered<TrialReport | null> => useAnswer(address, trialOf);
export const useBeforeAfter = (address: string | null): Answered<ChangeAnswer | null> => useAnswer(address, changeOf);
