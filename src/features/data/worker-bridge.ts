"use client";

import { type Remote, wrap } from "comlink";

/** A web worker behind a bridge: what it exposes, and its end. */
export interface WorkerBridge<E> {
  readonly engine: Remote<E>;
  readonly end: () => void;
}

/** Opens a worker. Its own file has to stand in the caller's code, or the bundler does not see it. */
export function openWorker<E>(spawn: () => Worker): WorkerBridge<E> {
  const worker = spawn();
  return { engine: wrap<E>(worker), end: () => worker.terminate() };
}

/** One piece of work in a worker of its own, which ends with it, however that comes; a signal ends both at once. */
export async function withWorker<E, R>(spawn: () => Worker, work: (engine: Remote<E>) => Promise<R>, signal?: AbortSignal): Promise<R> {
  const { engine, end } = openWorker<E>(spawn);
  const stopped = new Promise<never>((_, reject) => {
    signal?.addEventListener("abort", () => reject(signal.reason as Error), { once: true });
  });
  try {
    return await Promise.race([work(engine), stopped]);
  } finally {
    end();
  }
}
