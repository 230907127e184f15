import path from "node:path";
import { MessageChannel } from "node:worker_threads";
import type { ImportEvent, ImportPreview } from "@/contracts/imports";
import type { BillsFile } from "@/formats/bills-csv";
import type { EventsFile } from "@/formats/events-csv";
import type { FileJob, FileNews, FileReader } from "@/usecases/imports";
import { Refusal } from "@/usecases/refusal";
import { heard, type Told } from "@/usecases/telling";
import { FILE_BUDGET } from "./budgets";
import { log } from "./log";
import { freest, singleThreads, type Watched, watched } from "./threads";

const THREADS = 2;
/** A thread that has nothing to read gives its memory back; what it had just read for a preview is read again then. */
const IDLE_MS = 5000;
/** A reader that was asked to stop has this long. */
const LAST_WORDS_MS = 5000;

type Fault = "time" | "gone";

interface PoolOptions {
  readonly file?: string;
  readonly budget?: typeof FILE_BUDGET;
}

/** Reads foreign files in threads of their own. An upload is read and stored by the same thread where that is free, so that it is read once. */
export function readerPool({ file = path.resolve("dist", "reader.mjs"), budget = FILE_BUDGET }: PoolOptions = {}): FileReader {
  const threads = singleThreads(THREADS, file, { idleMs: IDLE_MS, heapMb: budget.heapMb });

  async function run(job: FileJob, onNews: (news: FileNews) => void, stop: AbortSignal): Promise<unknown> {
    const own = threads["uploadId" in job ? Number.parseInt(job.uploadId.slice(0, 6), 16) % THREADS : 0]!;
    const { port1: line, port2 } = new MessageChannel();
    let watch: Watched<Fault> | null = null;
    let heardMs = 0;
    line.on("message", (news: FileNews) => {
      heardMs = Date.now();
      onNews(news);
    });
    const askToStop = (): void => {
      line.postMessage("stop");
      setTimeout(() => watch?.end("gone"), LAST_WORDS_MS).unref();
    };
    stop.addEventListener("abort", askToStop);
    try {
      const told = await freest(threads, own).run(() => {
        heardMs = Date.now();
        watch = watched<Fault>(budget.wholeMb, () => (Date.now() - heardMs > budget.silentMs ? "time" : null));
        return { task: { job, line: port2 }, signal: watch.signal, transferList: [port2] };
      });
      return heard(told as Told);
    } catch (error) {
      if (error instanceof Refusal) throw error;
      const why = (watch as Watched<Fault> | null)?.why(error) ?? "fault";
      if (why === "gone") throw new Refusal("cancelled", "reading-cancelled");
      log.error({ kind: job.kind, why, err: error }, "reader ended");
      throw new Refusal("file-refused", `reader-${why}`);
    } finally {
      (watch as Watched<Fault> | null)?.stop();
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
    close: async () => void (await Promise.all(threads.map((thread) => thread.close()))),
  };
}
