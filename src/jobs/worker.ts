import { constants, setPriority } from "node:os";
import { setTimeout as wait } from "node:timers/promises";
import { STAGED_FOR_MS } from "@/contracts/uploads";
import { log, openServices, QUEUES } from "@/wiring";
import { attributionHandler, behindHandler } from "./attribution";
import { sendDue } from "./due";
import { pullHandler } from "./pull";

const SIGN_OF_LIFE_MS = 15_000;

// Whoever waits for a page comes first.
setPriority(constants.priority.PRIORITY_BELOW_NORMAL);

/** A process that takes jobs until it is told to stop. */
const services = openServices(process.env, { takesJobs: true });
const { queue } = services;
const stop = new AbortController();
for (const signal of ["SIGINT", "SIGTERM", "disconnect"] as const) process.on(signal, () => stop.abort());

queue.work(QUEUES.pull, pullHandler(services, log));
queue.work(QUEUES.attribution, attributionHandler(services, log));
queue.work(QUEUES.due, async () => void (await sendDue(queue, services.feeds, Date.now())));
queue.work(QUEUES.behind, behindHandler(services.attributions));
// What was left while no worker ran need not wait for the clock.
await Promise.all([sendDue(queue, services.feeds, Date.now()), behindHandler(services.attributions)()]).catch((error: unknown) =>
  log.error({ err: error }, "looking for what is left failed"),
);
log.info({ hosts: services.feedHosts }, "worker ready");

while (!stop.signal.aborted) {
  await services.staging.sweep(STAGED_FOR_MS).catch((error: unknown) => log.error({ err: error }, "sweeping uploads failed"));
  await services.vitalSigns.seen("worker", { pid: process.pid }).catch((error: unknown) => log.error({ err: error }, "no sign of life"));
  await wait(SIGN_OF_LIFE_MS, null, { signal: stop.signal }).catch(() => {});
}
await services.close();
process.exit(0);
