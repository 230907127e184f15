import { setTimeout as wait } from "node:timers/promises";
import PgBoss from "pg-boss";
import type { Sequelize, Transaction } from "sequelize";
import { clientOf, withClient } from "./raw-client";

/** Names of the queues; each has its handler in a file of its own. */
export const QUEUES = { due: "feeds-due", pull: "feed-pull", attribution: "attribution", behind: "attribution-behind" } as const;

/** A job whose worker has not said for this long that it is still at it is lost, and taken up again; seconds. */
const LEASE_S = 40;
/** How often a worker says so. */
const RENEW_MS = 8000;
/** How often lost jobs are looked for. A lost job is back within the sum, which is under a minute. */
const LOOK_FOR_LOST_S = 10;
const LOOK_FOR_JOBS_MS = 500;
/** A database that went away is asked again after this long. */
const AFTER_FAULT_MS = 1000;
const EVERY_MINUTE = "* * * * *";

/** Jobs that a change leaves, sent in its transaction: both happen, or neither. */
export interface JobOutbox {
  wantAttribution(bookId: string, transaction: Transaction): Promise<void>;
}

/** The queue on the same PostgreSQL; any number of processes may send, any number of workers take. */
export interface JobQueue extends JobOutbox {
  /** Brings the queue's own tables up to date. */
  migrate(): Promise<void>;
  /** Asks for a pull of a feed. One that waits already is not put there twice. */
  wantPull(feedId: number): Promise<void>;
  sendAttribution(bookId: string): Promise<void>;
  /** Takes jobs of a queue, one at a time, until the queue is stopped. */
  work(queue: string, handler: (data: unknown) => Promise<void>): void;
  stop(): Promise<void>;
}

interface QueueOptions {
  /** This process is a worker, which also keeps the clock and clears what is done. */
  readonly takes: boolean;
  /** This process may change the queue's own tables. */
  readonly mayMigrate: boolean;
  readonly onError: (error: Error) => void;
}

/** Opens the queue at its first use. */
export function jobQueue(sequelize: Sequelize, { takes, mayMigrate, onError }: QueueOptions): JobQueue {
  // Raw SQL: the queue's package writes its own statements; this gives it our connections and our transactions.
  const executeSql = (text: string, values: unknown[]) => withClient(sequelize, (client) => client.query(text, values));
  const within = (transaction: Transaction) => ({
    executeSql: (text: string, values: unknown[]) => clientOf(transaction).query(text, values),
  });
  const boss = new PgBoss({
    db: { executeSql },
    supervise: takes,
    schedule: takes,
    migrate: mayMigrate,
    maintenanceIntervalSeconds: LOOK_FOR_LOST_S,
  });
  boss.on("error", onError);
  const stop = new AbortController();
  const loops: Promise<void>[] = [];
  let opening: Promise<PgBoss> | null = null;
  // A try that failed is not the last one: the database may be away only for a while.
  const opened = (): Promise<PgBoss> =>
    (opening ??= open(boss, takes).catch((error: unknown) => {
      opening = null;
      throw error;
    }));

  async function takeOne(queue: string, handler: (data: unknown) => Promise<void>): Promise<boolean> {
    const [job] = await (await opened()).fetch<object>(queue, { batchSize: 1 });
    if (!job) return false;
    const renew = (): Promise<unknown> =>
      executeSql("update pgboss.job set started_on = now() where name = $1 and id = $2 and state = 'active'", [queue, job.id]);
    const lease = setInterval(() => void renew().catch(onError), RENEW_MS);
    try {
      await handler(job.data);
      await boss.complete(queue, job.id);
    } catch (error) {
      const fault = error instanceof Error ? error : new Error(String(error));
      onError(fault);
      await boss.fail(queue, job.id, { message: fault.message });
    } finally {
      clearInterval(lease);
    }
    return true;
  }

  async function takeAll(queue: string, handler: (data: unknown) => Promise<void>): Promise<void> {
    while (!stop.signal.aborted) {
      const took = await takeOne(queue, handler).catch((error: unknown) => {
        onError(error instanceof Error ? error : new Error(String(error)));
        return "fault" as const;
      });
      if (took !== true) await wait(took === "fault" ? AFTER_FAULT_MS : LOOK_FOR_JOBS_MS, null, { signal: stop.signal }).catch(() => {});
    }
  }

  return {
    migrate: async () => void (await opened()),
    async wantAttribution(bookId, transaction) {
      await (await opened()).send(QUEUES.attribution, { bookId }, { singletonKey: bookId, db: within(transaction) });
    },
    async sendAttribution(bookId) {
      await (await opened()).send(QUEUES.attribution, { bookId }, { singletonKey: bookId });
    },
    async wantPull(feedId) {
      await (await opened()).send(QUEUES.pull, { feedId }, { singletonKey: `feed ${feedId}` });
    },
    work(queue, handler) {
      loops.push(takeAll(queue, handler));
    },
    async stop() {
      stop.abort();
      await Promise.all(loops);
      if (opening) await (await opening).stop({ graceful: true, timeout: 10_000, close: false });
    },
  };
}

async function open(boss: PgBoss, takes: boolean): Promise<PgBoss> {
  await boss.start();
  const queue = async (name: string, options: Omit<PgBoss.Queue, "name">): Promise<void> => {
    await boss.createQueue(name, { name, ...options });
    // One of an older edition keeps its options until it is told the new ones.
    if (takes) await boss.updateQueue(name, { name, ...options });
  };
  // Of one feed or book one job waits and one is worked on: more would only do the same again.
  await queue(QUEUES.pull, { policy: "stately", expireInSeconds: LEASE_S, retryLimit: 5, retryDelay: 1 });
  await queue(QUEUES.attribution, { policy: "stately", expireInSeconds: LEASE_S, retryLimit: 2, retryDelay: 1 });
  for (const name of [QUEUES.due, QUEUES.behind]) {
    await queue(name, { policy: "stately", expireInSeconds: LEASE_S, retryLimit: 0 });
    if (takes) await boss.schedule(name, EVERY_MINUTE, {});
  }
  return boss;
}
