import { attributionJobSchema } from "@/contracts/attribution";
import { type AttributionPorts, type AttributionStore, runAttribution } from "@/usecases/attribution";
import type { JobLog } from "./job-log";

/** Seeks the causes of one book; a fault of ours fails the job, so that it is tried again. */
export const attributionHandler =
  (ports: AttributionPorts, log: JobLog) =>
  async (data: unknown): Promise<void> => {
    const { bookId } = attributionJobSchema.parse(data);
    const started = performance.now();
    const worked = await runAttribution(ports, bookId);
    if (worked) log.info({ bookId, ms: Math.round(performance.now() - started) }, "causes sought");
  };

/** Asks for the causes of books that are behind: after a new edition, or where a job was lost. */
export const behindHandler = (attributions: AttributionStore) => async (): Promise<void> => {
  await attributions.giveUpLost();
  for (const { bookId, version } of await attributions.behind()) await attributions.want(bookId, version);
};
