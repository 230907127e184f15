import type { Feed, FeedFaultCode } from "@/contracts/feeds";
import { importOptionsSchema } from "@/contracts/imports";
import { HOUR_MS, MINUTE_MS } from "@/core/units";
import type { Book, BookStore } from "../books";
import { inspectFile } from "../imports";
import { tableOfJson } from "./json-table";
import { type FeedStore, type Fetcher, FetchFailure } from "./ports";

export interface PullPorts {
  readonly feeds: FeedStore;
  readonly books: BookStore;
  readonly fetcher: Fetcher;
  readonly now: () => number;
}

/** A source this far behind has more to give. */
const CATCH_UP_MS = 24 * HOUR_MS;
const LONGEST_PAUSE_MS = 6 * HOUR_MS;

/** Minutes until the next try: the feed's own rhythm, doubled with every failure in a row, six hours at most. */
export const pauseMs = (everyMinutes: number, failures: number): number =>
  Math.min(LONGEST_PAUSE_MS, everyMinutes * MINUTE_MS * 2 ** Math.min(failures, 20));

/**
 * Pulls a feed once: what came is checked like a file and laid over the feed's batch of the month, with the cursor, in one transaction. So a pull that is
 * taken up again after a crash brings the same readings to the same places, and nothing is counted twice.
 */
export async function pullFeed(ports: PullPorts, feedId: number): Promise<{ values: number } | { fault: FeedFaultCode } | null> {
  const found = await ports.feeds.find(feedId);
  const book = found && (await ports.books.byId(found.bookId));
  if (!found || !book) return null;
  const { feed } = found;
  const now = ports.now();
  try {
    const values = await take(ports, feed, book, now);
    return { values };
  } catch (error) {
    if (!(error instanceof FetchFailure)) throw error;
    await ports.feeds.fail(feedId, error.fault, now, now + pauseMs(feed.settings.everyMinutes, feed.failures + 1));
    return { fault: error.fault.code };
  }
}

/** What a feed brings comes from where its owner sent us: nobody is there to ask whether a plant stood still. */
const STANDING = { "one-value": "yes" };

async function take({ feeds, fetcher }: PullPorts, feed: Feed, book: Book, now: number): Promise<number> {
  const { settings } = feed;
  const answer = await fetcher.get(addressOf(feed));
  const text = settings.format === "json" ? tableOfJson(answer, settings.json!) : answer;
  const nextUtcMs = now + pauseMs(settings.everyMinutes, 0);
  const cursorUtcMs = feed.cursorUtc === null ? 0 : Date.parse(feed.cursorUtc);
  if (rowsOf(text) === 0) return feeds.commit(feed.id, { series: [], cursorUtcMs, nextUtcMs, triedUtcMs: now });
  const options = importOptionsSchema.parse({
    zone: settings.zone,
    labels: settings.labels,
    meterId: settings.meterId,
    conflicts: "last",
    answers: STANDING,
  });
  const bytes = new TextEncoder().encode(text);
  const open = async function* (): AsyncGenerator<Uint8Array> {
    yield bytes;
  };
  const inspection = await inspectFile(open, book.site, options);
  const fault = inspection.problems.find((problem) => problem.severity === "error");
  if (fault) throw new FetchFailure("refused", {}, { problem: fault });
  if (inspection.kind !== settings.kind) throw new FetchFailure("wrong-kind", { kind: inspection.kind ?? "", wanted: settings.kind });
  const last = inspection.file?.lastUtcMs ?? cursorUtcMs;
  // A source that gives its past in parts is asked on at once until it has come to the present.
  const behind = last > cursorUtcMs && now - last > CATCH_UP_MS;
  if (last > now + HOUR_MS) throw new FetchFailure("future-readings", { lastUtc: new Date(last).toISOString() });
  return feeds.commit(feed.id, {
    series: inspection.series,
    cursorUtcMs: Math.max(cursorUtcMs, last),
    nextUtcMs: behind ? now : nextUtcMs,
    triedUtcMs: now,
  });
}

const rowsOf = (text: string): number => text.split("\n").filter((line) => line.trim() !== "").length - 1;

function addressOf({ settings, cursorUtc }: Feed): string {
  const url = new URL(settings.url);
  if (settings.sinceParameter !== null && cursorUtc !== null) url.searchParams.set(settings.sinceParameter, cursorUtc);
  return url.toString();
}
