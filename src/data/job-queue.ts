import PgBoss from "pg-boss";
import type { Sequelize, Transaction } from "sequelize";
import { clientOf, withClient } from "./raw-client";

/** Names of the queues; each has its handler in a file of its own. */
export const QUEUES = { due: "feeds-due", pull: "feed-pull", attribution: "attribution", behind: "attribution-behind" } as const;

/** A pull whose worker died is taken up again after this long, seconds. */
const PULL_LOST_AFTER_S = 45;
/** A search of ten years takes some seconds; one that shows nothing for this long is lost. */
const ATTRIBUTION_LOST_AFTER_S = 180;
const EVERY_MINUTE = "* * * * *";

/** Jobs that a change leaves, sent in its transaction: both happen, or neither. */
export interface JobOutbox {
  wantAttribution(bookId: string, transaction: Transaction): Promise<void>;
}

/** The queue on the same PostgreSQL; any number of processes may send, any number of workers take. */
export interface JobQueue extends JobOutbox {
  /** Asks for a pull of a feed. One that waits already is not put there twice. */
  wantPull(feedId: number): Promise<void>;
  sendAttribution(bookId: string): Promise<void>;
  /** Takes jobs of a queue, one at a time. */
  work(queue: string, handler: (data: unknown) => Promise<void>): Promise<void>;
  stop(): Promise<void>;
}

/** Opens the queue at its first use. `takes`: this process is a worker, which also keeps the clock and clears what is done. */
export function jobQueue(sequelize: Sequelize, { takes, onError }: { takes: boolean; onError: (error: Error) => void }): JobQueue {
  // Raw SQL: the queue's package writes its own statements; this gives it our connections and our transactions.
  const executeSql = (text: string, values: unknown[]) => withClient(sequelize, (client) => client.query(text, values));
  const within = (transaction: Transaction) => ({
    executeSql: (text: string, values: unknown[]) => clientOf(transaction).query(text, values),
  });
  const boss = new PgBoss({ db: { executeSql }, supervise: takes, schedule: takes, maintenanceIntervalSeconds: 10 });
  boss.on("error", onError);
  let opening: Promise<PgBoss> | null = null;
  const opened = (): Promise<PgBoss> => (opening ??= open(boss, takes));
  return {
    async wantAttribution(bookId, transaction) {
      await (await opened()).send(QUEUES.attribution, { bookId }, { singletonKey: bookId, db: within(transaction) });
    },
    async sendAttribution(bookId) {
      await (await opened()).send(QUEUES.attribution, { bookId }, { singletonKey: bookId });
    },
    async wantPull(feedId) {
      await (await opened()).send(QUEUES.pull, { feedId }, { singletonKey: `feed ${feedId}` });
    },
    async work(queue, handler) {
      await (await opened()).work(queue, { batchSize: 1, pollingIntervalSeconds: 0.5 }, async (jobs) => {
        for (const job of jobs) await handler(job.data);
      });
    },
    async stop() {
      if (opening) await (await opening).stop({ graceful: true, timeout: 10_000, close: false });
    },
  };
}

async function open(boss: PgBoss, takes: boolean): Promise<PgBoss> {
  await boss.start();
  const queue = (name: string, options: Omit<PgBoss.Queue, "name">): Promise<void> => boss.createQueue(name, { name, ...options });
  // Of one feed or book one job waits and one is worked on: more would only do the same again.
  await queue(QUEUES.pull, { policy: "stately", expireInSeconds: PULL_LOST_AFTER_S, retryLimit: 5, retryDelay: 1 });
  await queue(QUEUES.attribution, { policy: "stately", expireInSeconds: ATTRIBUTION_LOST_AFTER_S, retryLimit: 2, retryDelay: 1 });
  for (const name of [QUEUES.due, QUEUES.behind]) {
    await queue(name, { policy: "stately", expireInSeconds: PULL_LOST_AFTER_S, retryLimit: 0 });
    if (takes) await boss.schedule(name, EVERY_MINUTE, {});
  }
  return boss;
}
