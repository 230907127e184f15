import path from "node:path";
import { LRUCache } from "lru-cache";
import type { Piscina } from "piscina";
import type { SetAsideReason } from "@/contracts/standing";
import type { Book } from "@/usecases/books";
import type { Answer, Asked, Figures, QuestionName, Reckoner, StandingStore } from "@/usecases/reckoning";
import { setAside } from "@/usecases/reckoning";
import { Refusal } from "@/usecases/refusal";
import { heard, type Told } from "@/usecases/telling";
import { BUDGET } from "./budgets";
import { log } from "./log";
import { singleThreads } from "./threads";

/** Threads beside the one that answers requests: as many as sums can run at once on a small machine. */
const THREADS = 2;
/** Answers that are kept for those who ask again; each is some kilobytes, a record of weather some megabytes. */
const KEPT = { count: 200, bytes: 64 * 1024 * 1024, lightBytes: 16 * 1024 } as const;
/** Money hangs on bills and causes too, which have versions of their own: the thread knows. */
const HANGS_ON_MORE: ReadonlySet<QuestionName> = new Set(["money"]);
/** A thread that nobody asked for this long gives its memory back. */
const IDLE_MS = 120_000;
const LOOK_AT_MEMORY_MS = 500;

interface PoolOptions {
  readonly standings: StandingStore;
  readonly file?: string;
  readonly budget?: { readonly timeMs: number; readonly heapMb: number; readonly wholeMb: number };
}

/**
 * Heavy sums in threads of their own. A book is asked of the thread that has it at hand, unless that is busy and another is not. Equal questions that are
 * under way are asked once.
 */
export function reckonerPool({ standings, file = path.resolve("dist", "reckoner.mjs"), budget = BUDGET }: PoolOptions): Reckoner {
  const threads = singleThreads(THREADS, file, { idleMs: IDLE_MS, heapMb: budget.heapMb });
  const answers = new LRUCache<string, object>({ max: KEPT.count, maxSize: KEPT.bytes, sizeCalculation: bytesOf });
  const underWay = new Map<string, Promise<unknown>>();

  /** Questions that each thread has, asked and waiting. */
  const running = new Map(threads.map((thread) => [thread, 0]));

  /** Where a book is asked about at this moment, and how often: its next question goes there too, since two threads would hold it twice. */
  const homes = new Map<string, { readonly thread: Piscina; questions: number }>();

  function threadFor({ id }: Book): Piscina {
    const home = homes.get(id);
    if (home) return home.thread;
    const own = threads[Number.parseInt(id.slice(0, 8), 16) % THREADS]!;
    const least = Math.min(...running.values());
    return running.get(own) === least ? own : threads.find((thread) => running.get(thread) === least)!;
  }

  async function reckon(book: Book, question: QuestionName, asked: unknown): Promise<unknown> {
    const aside = await standings.setAsideAt(book.id, book.version);
    if (aside) throw setAside(aside);
    const thread = threadFor(book);
    running.set(thread, running.get(thread)! + 1);
    const home = homes.get(book.id) ?? { thread, questions: 0 };
    home.questions++;
    homes.set(book.id, home);
    const stop = new AbortController();
    let reason: SetAsideReason | null = null;
    let started = 0;
    const watch = setInterval(() => {
      started ||= thread.queueSize === 0 ? Date.now() : 0;
      if (started > 0 && Date.now() - started > budget.timeMs) reason = "time";
      if (process.memoryUsage.rss() > budget.wholeMb * 1024 * 1024) reason = "memory";
      if (reason) stop.abort();
    }, LOOK_AT_MEMORY_MS);
    try {
      const told = (await thread.run({ book, question, asked }, { signal: stop.signal })) as Told;
      const answer = heard(told);
      if (question === "figures") await standings.keep(book.id, { version: book.version, state: "fine", figures: answer as Figures });
      return answer;
    } catch (error) {
      if (error instanceof Refusal) throw error;
      const why = reason ?? (isOutOfMemory(error) ? "memory" : "fault");
      log.error({ book: book.slug, question, why, err: error }, "book set aside");
      await standings.keep(book.id, { version: book.version, state: "set-aside", reason: why });
      throw setAside(why);
    } finally {
      clearInterval(watch);
      running.set(thread, running.get(thread)! - 1);
      if (--home.questions === 0) homes.delete(book.id);
    }
  }

  return {
    get busy() {
      return underWay.size;
    },
    async ask<Q extends QuestionName>(book: Book, question: Q, asked: Asked<Q>, patienceMs: number): Promise<Answer<Q>> {
      const key = `${book.id} ${book.version} ${question} ${JSON.stringify(asked)}`;
      const kept = answers.get(key);
      if (kept) return kept as Answer<Q>;
      let sum = underWay.get(key);
      if (!sum) {
        sum = reckon(book, question, asked);
        underWay.set(key, sum);
        sum
          .then((answer) => (HANGS_ON_MORE.has(question) ? null : answers.set(key, answer as object)))
          .catch(() => {})
          .finally(() => underWay.delete(key));
      }
      return Promise.race([sum as Promise<Answer<Q>>, tooLong(patienceMs)]);
    },
    close: async () => void (await Promise.all(threads.map((thread) => thread.destroy()))),
  };
}

const isOutOfMemory = (error: unknown): boolean => (error as { code?: string }).code === "ERR_WORKER_OUT_OF_MEMORY";

async function tooLong(patienceMs: number): Promise<never> {
  await new Promise((resolve) => setTimeout(resolve, patienceMs).unref());
  throw new Refusal("reckoning", "reckoning");
}

/** What an answer weighs, roughly: bytes as they are, anything else as a light one. */
const bytesOf = (answer: object): number =>
  answer instanceof Uint8Array || answer instanceof ArrayBuffer ? answer.byteLength : KEPT.lightBytes;
