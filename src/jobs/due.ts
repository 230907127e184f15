import type PgBoss from "pg-boss";
import type { FeedStore } from "@/usecases/feeds";
import { QUEUES } from "./queue";

/** Puts a pull into the queue for every feed whose time has come; a feed that waits already is not put there twice. */
export async function sendDue(boss: PgBoss, feeds: FeedStore, nowUtcMs: number): Promise<number> {
  const due = await feeds.due(nowUtcMs);
  for (const feedId of due) await boss.send(QUEUES.pull, { feedId }, { singletonKey: `feed ${feedId}`, singletonSeconds: 20 });
  return due.length;
}
