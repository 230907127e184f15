import path from "node:path";
import { MessageChannel } from "node:worker_threads";
import type { Piscina } from "piscina";
import type { ImportEvent, ImportPreview } from "@/contracts/imports";
import type { BillsFile } from "@/formats/bills-csv";
import type { EventsFile } from "@/formats/events-csv";
import type { FileJob, FileNews, FileReader } from "@/usecases/imports";
import { Refusal } from "@/usecases/refusal";
import { heard, type Told } from "@/usecases/telling";
import { FILE_BUDGET } from "./budgets";
import { log } from "./log";
import { singleThreads } from "./threads";

const THREADS = 2;
/** A thread that has nothing to read gives its memory back; what it had just read for a preview is read again then. */
const IDLE_MS = 20_000;
const LOOK_MS = 500;
/** A reader that was asked to stop has this long. */
const LAST_WORDS_MS = 5000;

type Fault = "time" | "memory" | "fault" | "gone";

interface PoolOptions {
  readonly file?: string;
  readonly budget?: typeof FILE_BUDGET;
}

/** Reads foreign files in threads of their own. An upload is read and stored by the same thread, so that it is read once. */
export function readerPool({ file = path.resolve("dist", "reader.mjs"), budget = FILE_BUDGET }: PoolOptions = {}): FileReader {
  const threads = singleThreads(THREADS, file, { idleMs: IDLE_MS, heapMb: budget.heapMb });

  async function run(job: FileJob, onNews: (news: FileNews) => void, stop: AbortSignal): Promise<unknown> {
    const thread = "uploadId" in job ? threads[Number.parseInt(job.uploadId.slice(0, 6), 16) % THREADS]! : leastBusy(threads);
    const { port1: line, port2 } = new MessageChannel();
    const end = new AbortController();
    const state: { fault: Fault } = { fault: "fault" };
    // One that waits behind another file has not begun; its first word says that it has.
    let heardMs: number | null = null;
    const kill = (why: Fault): void => {
      state.fault = why;
      end.abort();
    };
    line.on("message", (news: FileNews) => {
      heardMs = Date.now();
      onNews(news);
    });
    const askToStop = (): void => {
      line.postMessage("stop");
      setTimeout(() => kill("gone"), LAST_WORDS_MS).unref();
    };
    stop.addEventListener("abort", askToStop);
    const watch = setInterval(() => {
      if (heardMs !== null && Date.now() - heardMs > budget.silentMs) kill("time");
      if (process.memoryUsage.rss() > budget.wholeMb * 1024 * 1024) kill("memory");
    }, LOOK_MS);
    try {
      return heard((await thread.run({ job, line: port2 }, { signal: end.signal, transferList: [port2] })) as Told);
    } catch (error) {
      if (error instanceof Refusal) throw error;
      if (state.fault === "gone") throw new Refusal("cancelled", "reading-cancelled");
      const why = (error as { code?: string }).code === "ERR_WORKER_OUT_OF_MEMORY" ? "memory" : state.fault;
      log.error({ kind: job.kind, why, err: error }, "reader ended");
      throw new Refusal("file-refused", `reader-${why}`);
    } finally {
      clearInterval(watch);
      stop.removeEventListener("abort", askToStop);
      line.close();
    }
  }

  const never = new AbortController().signal;
  return {
    preview: async (of, onNews, stop) => (await run({ kind: "preview", ...of }, onNews, stop)) as ImportPreview,
    async import(of, onNews, stop) {
      // What came of it comes as the answer: words over the line may still be under way when the thread has ended.
      onNews({ event: (await run({ kind: "import", ...of }, onNews, stop)) as ImportEvent });
    },
    bills: async (bytes) => (await run({ kind: "bills", bytes }, () => {}, never)) as BillsFile,
    events: async (bytes) => (await run({ kind: "events", bytes }, () => {}, never)) as EventsFile,
    close: async () => void (await Promise.all(threads.map((thread) => thread.destroy()))),
  };
}

const leastBusy = (threads: readonly Piscina[]): Piscina => threads.reduce((best, next) => (next.queueSize < best.queueSize ? next : best));
