import type { MessagePort } from "node:worker_threads";
import { doFileJob, type FileJob } from "@/usecases/imports";
import { type Told, tell } from "@/usecases/telling";
import { giveBack, openStores } from "@/wiring";

const stores = openStores(process.env, { connections: 3 });

/** Reads one foreign file, in a thread of its own: whatever it holds, what answers requests does not notice. A word over the line stops it. */
export default async function read({ job, line }: { job: FileJob; line: MessagePort }): Promise<Told> {
  const stop = new AbortController();
  line.on("message", () => stop.abort());
  try {
    return await tell(() => doFileJob(stores, job, (news) => line.postMessage(news), stop.signal));
  } finally {
    line.close();
    giveBack();
  }
}
