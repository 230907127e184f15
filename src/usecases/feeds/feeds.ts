import { type Feed, type FeedSettings, feedSettingsSchema } from "@/contracts/feeds";
import { LIMITS } from "@/contracts/limits";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import { hostAllowed } from "./hosts";
import type { FeedStore } from "./ports";

export interface FeedPorts {
  readonly feeds: FeedStore;
  readonly queue: { wantPull(feedId: number): Promise<void> };
  /** Hosts that may be fetched from. */
  readonly feedHosts: readonly string[];
  readonly now: () => number;
}

/** Adds a feed to a book; its host must be on the list. */
export async function addFeed(
  { feeds: store, queue, feedHosts: hosts, now }: FeedPorts,
  book: Book,
  settings: FeedSettings,
): Promise<Feed> {
  if (!hostAllowed(settings.url, hosts)) {
    throw new Refusal("feed-refused", "host-not-listed", { url: settings.url, hosts: hosts.join(", ") || "none" });
  }
  if (settings.format === "json" && !settings.json) {
    throw new Refusal("feed-refused", "json-columns-missing");
  }
  if (settings.meterId !== null && !book.site.meters.some(({ id }) => id === settings.meterId)) {
    throw new Refusal("feed-refused", "feed-meter-unknown", {
      meterId: settings.meterId,
      meters: book.site.meters.map(({ id }) => id).join(", "),
    });
  }
  const existing = await store.of(book.id);
  if (existing.some((feed) => feed.settings.name === settings.name)) {
    throw new Refusal("feed-refused", "feed-name-taken", { name: settings.name });
  }
  if (existing.length >= LIMITS.feeds.most) throw new Refusal("feed-refused", "too-many-feeds", { count: existing.length });
  const made = await store.create(book.id, settings, false, null);
  if (!made) throw new Refusal("feed-refused", "feed-name-taken", { name: settings.name });
  if (!settings.enabled) return made;
  const started = changed(await store.change(book.id, made, settings, now()));
  await queue.wantPull(made.id);
  return started;
}

/** Starts or stops a feed, or makes it due at once. */
export async function changeFeed(
  { feeds: store, queue, now }: FeedPorts,
  book: Book,
  feedId: number,
  change: { enabled?: boolean | undefined; pullNow?: boolean | undefined; version: number },
): Promise<Feed> {
  const existing = (await store.of(book.id)).find(({ id }) => id === feedId);
  if (!existing) throw feedNotFound(feedId);
  const enabled = change.enabled ?? existing.settings.enabled;
  const starts = enabled && (!existing.settings.enabled || change.pullNow === true);
  const next = enabled ? (starts || existing.nextUtc === null ? now() : Date.parse(existing.nextUtc)) : null;
  const settings = feedSettingsSchema.parse({ ...existing.settings, enabled });
  const feed = changed(await store.change(book.id, { id: feedId, version: change.version }, settings, next));
  if (starts) await queue.wantPull(feedId);
  return feed;
}

export async function removeFeed(store: FeedStore, book: Book, feedId: number): Promise<void> {
  if (!(await store.remove(book.id, feedId))) throw feedNotFound(feedId);
}

const feedNotFound = (feedId: number): Refusal => new Refusal("feed-not-found", "feed-not-found", { feedId });

function changed(feed: Feed | null): Feed {
  if (!feed) throw new Refusal("book-changed", "feed-changed");
  return feed;
}
