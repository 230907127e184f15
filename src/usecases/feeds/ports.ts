import type { Feed, FeedFault, FeedFaultCode, FeedSettings } from "@/contracts/feeds";
import type { Problem } from "@/contracts/problems";
import type { MeteredPages } from "../imports";

/** What came of a pull, to be stored with the feed's new state in one transaction. */
export interface PulledPages {
  readonly series: readonly MeteredPages[];
  readonly cursorUtcMs: number;
  readonly nextUtcMs: number;
  readonly triedUtcMs: number;
}

export interface FeedStore {
  of(bookId: string): Promise<readonly Feed[]>;
  find(feedId: number): Promise<{ feed: Feed; bookId: string } | null>;
  /** Null where the book has a feed of that name. */
  create(bookId: string, settings: FeedSettings, isDemo: boolean, cursorUtcMs: number | null): Promise<Feed | null>;
  /** Changes a feed over the version that was looked at; null when somebody else was faster, or it is gone. */
  change(bookId: string, feed: Pick<Feed, "id" | "version">, settings: FeedSettings, nextUtcMs: number | null): Promise<Feed | null>;
  remove(bookId: string, feedId: number): Promise<boolean>;
  /** Enabled feeds whose time has come. */
  due(nowUtcMs: number): Promise<readonly number[]>;
  /** Lays the pages over the feed's batch of the month and moves its cursor; nothing of it without the whole. Returns the number of new values. */
  commit(feedId: number, pulled: PulledPages): Promise<number>;
  fail(feedId: number, fault: FeedFault, triedUtcMs: number, nextUtcMs: number): Promise<void>;
}

/** Gets an answer over HTTP. Throws FetchFailure. */
export interface Fetcher {
  get(url: string): Promise<string>;
}

/** An expected failure of a pull, by its code and facts. */
export class FetchFailure extends Error {
  override readonly name = "FetchFailure";
  readonly fault: FeedFault;
  constructor(
    code: FeedFaultCode,
    facts: FeedFault["facts"] = {},
    { problem = null, cause }: { problem?: Problem | null; cause?: unknown } = {},
  ) {
    super(code, { cause });
    this.fault = { code, facts, problem };
  }
}
