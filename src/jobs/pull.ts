import type PgBoss from "pg-boss";
import { pullJobSchema } from "@/contracts/feeds";
import { type PullPorts, pullFeed } from "@/usecases/feeds";

export interface JobLog {
  info(facts: object, message: string): void;
  error(facts: object, message: string): void;
}

/** Handles pulls one after the other; a fault of ours fails the job, so that it is tried again. */
export const pullHandler =
  (ports: PullPorts, log: JobLog) =>
  async (jobs: readonly PgBoss.Job<object>[]): Promise<void> => {
    for (const job of jobs) {
      const { feedId } = pullJobSchema.parse(job.data);
      const result = await pullFeed(ports, feedId);
      log.info({ feedId, ...result }, "feed pulled");
    }
  };
