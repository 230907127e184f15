import { setTimeout as wait } from "node:timers/promises";
import { environmentSchema } from "@/contracts/environment";
import { log, openServices } from "@/wiring";
import { causeLoop } from "./causes";
import { sendDue } from "./due";
import { pullHandler } from "./pull";
import { openQueue, QUEUES } from "./queue";

/** How often a worker looks for feeds whose time has come. */
const LOOK_EVERY_MS = 5000;

const { DATABASE_URL } = environmentSchema.parse(process.env);
const services = openServices(process.env);
const stop = new AbortController();
const boss = await openQueue(DATABASE_URL, (error) => log.error({ err: error }, "queue"));
await boss.work(QUEUES.pull, { batchSize: 1, pollingIntervalSeconds: 1 }, pullHandler(services, log));
log.info({ hosts: services.feedHosts }, "worker ready");

for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => stop.abort());
const causes = causeLoop(services, log, stop.signal);
while (!stop.signal.aborted) {
  await sendDue(boss, services.feeds, Date.now()).catch((error: unknown) => log.error({ err: error }, "looking for due feeds failed"));
  await wait(LOOK_EVERY_MS, undefined, { signal: stop.signal }).catch(() => {});
}
await causes;
await boss.stop({ graceful: true, timeout: 10_000 });
await services.sequelize.close();
process.exit(0);
