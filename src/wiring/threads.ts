import { Piscina } from "piscina";
import { YOUNG_MB } from "./budgets";

/** A thread that takes one task after the other. */
export interface Thread {
  /** Tasks that it has, the one under way among them. */
  readonly load: number;
  /** Does a task when its turn comes; `begins` is told then, and gives what goes with it. Aborting the signal ends the thread, which is made anew for the next. */
  run(begins: () => Promise<Turn> | Turn): Promise<unknown>;
  close(): Promise<void>;
}

export interface Turn {
  readonly task: object;
  readonly signal: AbortSignal;
  readonly transferList?: readonly MessagePort[];
}

type MessagePort = import("node:worker_threads").MessagePort;

/** So many threads of one file, made when they are first asked and gone when nobody asks. */
export const singleThreads = (
  count: number,
  filename: string,
  { idleMs, heapMb }: { readonly idleMs: number; readonly heapMb: number },
): Thread[] =>
  Array.from({ length: count }, () => {
    const pool = new Piscina({
      filename,
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: idleMs,
      // A thread that sleeps on a lock hears of nothing: its connections end without its knowing, and what it keeps for a moment it keeps for good.
      atomics: "disabled",
      resourceLimits: { maxOldGenerationSizeMb: heapMb, maxYoungGenerationSizeMb: YOUNG_MB },
    });
    let load = 0;
    // The row is ours, so that each task knows when it begins: its budget runs from then.
    let last: Promise<unknown> = Promise.resolve();
    return {
      get load() {
        return load;
      },
      run(begins) {
        load++;
        const own = last.then(async () => {
          const { task, signal, transferList = [] } = await begins();
          return pool.run(task, { signal, transferList: [...transferList] }) as Promise<unknown>;
        });
        const counted = own.finally(() => load--);
        last = counted.catch(() => {});
        return counted;
      },
      close: () => pool.destroy(),
    };
  });

/** The one that a thing belongs to where it has the least to do, else one that has. */
export function freest(threads: readonly Thread[], own: Thread): Thread {
  const least = Math.min(...threads.map(({ load }) => load));
  return own.load === least ? own : threads.find(({ load }) => load === least)!;
}

const isOutOfMemory = (error: unknown): boolean => (error as { code?: string }).code === "ERR_WORKER_OUT_OF_MEMORY";

/** Tasks under way in all threads of the process, the oldest first: where the whole takes too much, that one is ended, not whoever came after it. */
const underWay = new Set<object>();
const LOOK_MS = 500;
/** What a task that was ended held is given back some looks later: until then nobody else is ended for it. */
const GIVEN_BACK_MS = 3 * LOOK_MS;
let endedMs = Number.NEGATIVE_INFINITY;

export interface Watched<Reason extends string> {
  readonly signal: AbortSignal;
  /** Why it was ended, or what ended it. */
  readonly why: (error: unknown) => Reason | "memory" | "fault";
  readonly end: (reason: Reason) => void;
  readonly stop: () => void;
}

/** Watches a task from its beginning: `look` names a reason to end it. */
export function watched<Reason extends string>(wholeMb: number, look: () => Reason | null): Watched<Reason> {
  const stop = new AbortController();
  const own = {};
  let reason: Reason | "memory" | null = null;
  const end = (why: Reason | "memory"): void => {
    reason ??= why;
    stop.abort();
  };
  underWay.add(own);
  const timer = setInterval(() => {
    const why = look();
    const isTooMuch = process.memoryUsage.rss() > wholeMb * 1024 * 1024 && [...underWay][0] === own;
    if (why) end(why);
    else if (isTooMuch && performance.now() - endedMs > GIVEN_BACK_MS) {
      endedMs = performance.now();
      end("memory");
    }
  }, LOOK_MS);
  return {
    signal: stop.signal,
    why: (error) => reason ?? (isOutOfMemory(error) ? "memory" : "fault"),
    end,
    stop: () => {
      clearInterval(timer);
      underWay.delete(own);
    },
  };
}
