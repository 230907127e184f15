import { pullJobSchema } from "@/contracts/feeds";
import { type PullPorts, pullFeed } from "@/usecases/feeds";
import type { JobLog } from "./job-log";

/** Pulls one feed, and again at once while its source has more to give; a fault of ours fails the job, so that it is tried again. */
export const pullHandler =
  (ports: PullPorts & { readonly queue: { wantPull(feedId: number): Promise<void> } }, log: JobLog) =>
  async (data: unknown): Promise<void> => {
    const { feedId } = pullJobSchema.parse(data);
    const result = await pullFeed(ports, feedId);
    log.info({ feedId, ...result }, "feed pulled");
    const nextUtc = (await ports.feeds.find(feedId))?.feed.nextUtc ?? null;
    if (nextUtc !== null && Date.parse(nextUtc) <= ports.now()) await ports.queue.wantPull(feedId);
  };
