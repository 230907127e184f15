import path from "node:path";
import { LRUCache } from "lru-cache";
import type { Book } from "@/usecases/books";
import type { Answer, Asked, Figures, QuestionName, Reckoner, StandingStore, Weighed } from "@/usecases/reckoning";
import { setAside } from "@/usecases/reckoning";
import { Refusal } from "@/usecases/refusal";
import { storageRefusal } from "@/usecases/storage-faults";
import { heard, type Told } from "@/usecases/telling";
import { BUDGET } from "./budgets";
import { log } from "./log";
import { freest, singleThreads, type Thread, type Watched, watched } from "./threads";

/** Threads beside the one that answers requests: as many as sums can run at once on a small machine. */
const THREADS = 2;
/** Answers that are kept for those who ask again, by what the thread says that they weigh. */
const KEPT = { count: 400, bytes: 24 * 1024 * 1024 } as const;
/** Money hangs on bills and causes too, which have versions of their own: the thread knows. */
const HANGS_ON_MORE: ReadonlySet<QuestionName> = new Set(["money"]);
/** A thread that nobody asked for this long gives its memory back. */
const IDLE_MS = 30_000;

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
  const answers = new LRUCache<string, Weighed>({ max: KEPT.count, maxSize: KEPT.bytes, sizeCalculation: ({ bytes }) => bytes + 1 });
  let isClosing = false;
  const underWay = new Map<string, Promise<Weighed>>();

  /** Where a book is asked about at this moment, and how often: its next question goes there too, since two threads would hold it twice. */
  const homes = new Map<string, { readonly thread: Thread; questions: number }>();

  async function reckon(book: Book, question: QuestionName, asked: unknown): Promise<Weighed> {
    const own = threads[Number.parseInt(book.id.slice(0, 8), 16) % THREADS]!;
    const home = homes.get(book.id) ?? { thread: freest(threads, own), questions: 0 };
    home.questions++;
    homes.set(book.id, home);
    let watch: Watched<"time"> | null = null;
    try {
      const told = await home.thread.run(async () => {
        // Another question may have had the book set aside while this one waited.
        const aside = await standings.setAsideAt(book.id, book.version);
        if (aside) throw setAside(aside);
        const began = Date.now();
        watch = watched(budget.wholeMb, () => (Date.now() - began > budget.timeMs ? "time" : null));
        return { task: { book, question, asked }, signal: watch.signal };
      });
      const weighed = heard(told as Told) as Weighed;
      if (question === "figures")
        await standings.keep(book.id, { version: book.version, state: "fine", figures: weighed.answer as Figures });
      return weighed;
    } catch (error) {
      const refusal = error instanceof Refusal ? error : storageRefusal(error);
      if (refusal) throw refusal;
      // A house that closes says nothing of the book.
      if (isClosing) throw new Refusal("reckoning", "reckoning");
      const why = (watch as Watched<"time"> | null)?.why(error) ?? "fault";
      log.error({ book: book.slug, question, why, err: error }, "book set aside");
      await standings.keep(book.id, { version: book.version, state: "set-aside", reason: why });
      throw setAside(why);
    } finally {
      (watch as Watched<"time"> | null)?.stop();
      if (--home.questions === 0) homes.delete(book.id);
    }
  }

  return {
    async ask<Q extends QuestionName>(book: Book, question: Q, asked: Asked<Q>, patienceMs: number): Promise<Answer<Q>> {
      const key = `${book.id} ${book.version} ${question} ${JSON.stringify(asked)}`;
      const kept = answers.get(key);
      if (kept) return kept.answer as Answer<Q>;
      let sum = underWay.get(key);
      if (!sum) {
        sum = reckon(book, question, asked);
        underWay.set(key, sum);
        sum
          .then((weighed) => (HANGS_ON_MORE.has(question) ? null : answers.set(key, weighed)))
          .catch(() => {})
          .finally(() => underWay.delete(key));
      }
      return (await Promise.race([sum, tooLong(patienceMs)])).answer as Answer<Q>;
    },
    async close() {
      isClosing = true;
      await Promise.all(threads.map((thread) => thread.close()));
    },
  };
}

async function tooLong(patienceMs: number): Promise<never> {
  await new Promise((resolve) => setTimeout(resolve, patienceMs).unref());
  throw new Refusal("reckoning", "reckoning");
}
