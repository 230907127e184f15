import PgBoss from "pg-boss";

/** Names of the queues; each has its handler in a file of its own. */
export const QUEUES = { due: "feeds-due", pull: "feed-pull" } as const;

/** A job whose worker died is taken up again after this long. */
const LOST_AFTER_S = 45;

/** Opens the job queue on the same PostgreSQL; any number of workers may do so. */
export async function openQueue(databaseUrl: string, onError: (error: Error) => void): Promise<PgBoss> {
  const boss = new PgBoss({
    connectionString: databaseUrl,
    max: 4,
    monitorStateIntervalSeconds: 10,
    maintenanceIntervalSeconds: 10,
  });
  boss.on("error", onError);
  await boss.start();
  // One job a feed at a time: a second pull of the same feed would only wait.
  await boss.createQueue(QUEUES.due, {
    name: QUEUES.due,
    policy: "singleton",
    expireInSeconds: LOST_AFTER_S,
    retryLimit: 0,
  });
  await boss.createQueue(QUEUES.pull, {
    name: QUEUES.pull,
    policy: "standard",
    expireInSeconds: LOST_AFTER_S,
    retryLimit: 5,
    retryDelay: 1,
  });
  return boss;
}
