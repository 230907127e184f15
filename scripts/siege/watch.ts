import { setTimeout as wait } from "node:timers/promises";
import { Worker } from "node:worker_threads";

export interface Watch {
  /** Times of answers so far, ms; those that failed count apart. */
  readonly times: () => readonly number[];
  readonly failed: () => number;
  /** What was measured while some work ran. */
  during<T>(
    work: () => Promise<T>,
  ): Promise<{ readonly result: T; readonly p99Ms: number; readonly worstMs: number; readonly failed: number }>;
  readonly stop: () => void;
}

export const percentile = (values: readonly number[], part: number): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? Number.NaN;
};

/** News may still be on their way when work has ended. */
const NEWS_MS = 150;

/** Asks /healthz again and again, in a thread of its own: what keeps this one busy is no delay of the server's. */
export function watchHealth(address: string): Watch {
  const times: number[] = [];
  let failed = 0;
  const asker = new Worker(new URL("./ask-health.mjs", import.meta.url), { workerData: { address } });
  asker.on("message", (ms: number | null) => {
    if (ms === null) failed++;
    else times.push(ms);
  });
  return {
    times: () => times,
    failed: () => failed,
    async during(work) {
      await wait(NEWS_MS);
      const [from, failedBefore] = [times.length, failed];
      const result = await work();
      await wait(NEWS_MS);
      const own = times.slice(from);
      return { result, p99Ms: percentile(own, 0.99), worstMs: Math.max(0, ...own), failed: failed - failedBefore };
    },
    stop: () => void asker.terminate(),
  };
}
