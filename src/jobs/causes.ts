import { setTimeout as wait } from "node:timers/promises";
import { type AttributionPorts, runWaiting } from "@/usecases/attribution";
import type { JobLog } from "./pull";

/** How often a worker looks for books whose causes are asked for. */
const LOOK_EVERY_MS = 500;

/** Works out causes until it is told to stop. The table of runs is the queue: a run is taken by one worker, and one whose worker died is taken again. */
export async function causeLoop(ports: AttributionPorts, log: JobLog, signal: AbortSignal): Promise<void> {
  while (!signal.aborted) {
    const started = performance.now();
    const done = await runWaiting(ports).catch((error: unknown) => {
      log.error({ err: error }, "seeking causes failed");
      return 0;
    });
    if (done > 0) log.info({ books: done, ms: Math.round(performance.now() - started) }, "causes sought");
    else await wait(LOOK_EVERY_MS, undefined, { signal }).catch(() => {});
  }
}
