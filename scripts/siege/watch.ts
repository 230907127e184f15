import { Agent, request } from "node:http";
import { setTimeout as wait } from "node:timers/promises";

const EVERY_MS = 40;
/** An answer later than this is none. */
const PATIENCE_MS = 5000;

export interface Watch {
  /** Times of answers so far, ms, sorted; those that failed count as none. */
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

/** Asks /healthz again and again, and keeps how long each answer took. */
export function watchHealth(address: () => string): Watch {
  const agent = new Agent({ keepAlive: true, maxSockets: 4 });
  const times: number[] = [];
  let failed = 0;
  let isOn = true;
  const once = (): Promise<void> =>
    new Promise((resolve) => {
      const started = performance.now();
      const asked = request(`${address()}/healthz`, { agent, timeout: PATIENCE_MS }, (answer) => {
        answer.resume();
        answer.once("end", () => {
          if (answer.statusCode === 200) times.push(performance.now() - started);
          else failed++;
          resolve();
        });
      });
      asked.once("timeout", () => asked.destroy());
      asked.once("error", () => {
        // A kept connection that had been idle for too long was closed as this was sent: that says nothing of the server.
        if (asked.reusedSocket) return void once().then(resolve);
        failed++;
        resolve();
      });
      asked.end();
    });
  void (async () => {
    while (isOn) {
      await Promise.race([once(), wait(PATIENCE_MS)]);
      await wait(EVERY_MS);
    }
  })();
  return {
    times: () => times,
    failed: () => failed,
    async during(work) {
      const [from, failedBefore] = [times.length, failed];
      const result = await work();
      const own = times.slice(from);
      return { result, p99Ms: percentile(own, 0.99), worstMs: Math.max(0, ...own), failed: failed - failedBefore };
    },
    stop: () => {
      isOn = false;
      agent.destroy();
    },
  };
}
