import type { FeedStore } from "@/usecases/feeds";

/** Asks for a pull of every feed whose time has come; one that waits already is not asked for twice. */
export async function sendDue(
  queue: { wantPull(feedId: number): Promise<void> },
  feeds: Pick<FeedStore, "due">,
  nowUtcMs: number,
): Promise<number> {
  const due = await feeds.due(nowUtcMs);
  for (const feedId of due) await queue.wantPull(feedId);
  return due.length;
}
