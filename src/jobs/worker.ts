import { log, openServices, QUEUES } from "@/wiring";
import { attributionHandler, behindHandler } from "./attribution";
import { sendDue } from "./due";
import { pullHandler } from "./pull";

/** A process that takes jobs until it is told to stop. */
const services = openServices(process.env, { takesJobs: true });
const { queue } = services;
const stop = new AbortController();
for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => stop.abort());

await queue.work(QUEUES.pull, pullHandler(services, log));
await queue.work(QUEUES.attribution, attributionHandler(services, log));
await queue.work(QUEUES.due, async () => void (await sendDue(queue, services.feeds, Date.now())));
await queue.work(QUEUES.behind, behindHandler(services.attributions));
// What was left while no worker ran need not wait for the clock.
await Promise.all([sendDue(queue, services.feeds, Date.now()), behindHandler(services.attributions)()]).catch((error: unknown) =>
  log.error({ err: error }, "looking for what is left failed"),
);
log.info({ hosts: services.feedHosts }, "worker ready");

await new Promise((resolve) => stop.signal.addEventListener("abort", resolve, { once: true }));
await services.close();
process.exit(0);
