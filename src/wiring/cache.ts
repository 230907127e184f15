import { LRUCache } from "lru-cache";
import type { Book } from "@/usecases/books";

interface CacheOptions<T> {
  /** Results that are cached at most. */
  readonly most?: number;
  /** Bytes that all cached results may take; one that is larger stays for a moment only. */
  readonly mostBytes?: number;
  readonly bytesOf?: (made: T) => number;
}

/** Books whose results are cached; each holds a few megabytes a decade. */
const MOST_BOOKS = 8;
/** What is too large to be kept stays this long, for the questions that come together. */
const MOMENT_MS = 15_000;

/** Asks for what is worked out of a book, from the cache where it is; dropped where its columns are in the way. */
export interface ByBook<T> {
  (book: Book): Promise<T>;
  /** Drops what takes more than so many bytes; all by default. */
  drop(id: string, overBytes?: number): void;
}

/** What is worked out of a book, cached for the last few: the book's version, with whatever else it hangs on, tells when it is out of date. */
export function byBook<T>(
  make: (book: Book) => Promise<T>,
  keyOf: (book: Book) => string | Promise<string> = () => "",
  { most = MOST_BOOKS, mostBytes = Number.POSITIVE_INFINITY, bytesOf = () => 0 }: CacheOptions<T> = {},
): ByBook<T> {
  const cache = new LRUCache<string, { readonly key: string; readonly made: Promise<T>; bytes: number }>({ max: most, ttlAutopurge: true });

  /** Keeps the latest within bounds; the one just made goes too, after a moment, where it is too large alone. */
  function weigh(id: string, bytes: number): void {
    const own = cache.get(id);
    if (!own) return;
    own.bytes = bytes;
    if (bytes > mostBytes) cache.set(id, own, { ttl: MOMENT_MS });
    const all = (): number => [...cache.values()].reduce((sum, entry) => sum + entry.bytes, 0);
    while (cache.size > 1 && all() > mostBytes) cache.pop();
  }

  const of = async (book: Book): Promise<T> => {
    const key = `${book.version} ${await keyOf(book)}`;
    const cached = cache.get(book.id);
    if (cached?.key === key) return cached.made;
    const made = make(book);
    cache.set(book.id, { key, made, bytes: 0 });
    made.then(
      (result) => weigh(book.id, bytesOf(result)),
      () => cache.delete(book.id),
    );
    return made;
  };
  const drop = (id: string, overBytes = -1): void => {
    if ((cache.peek(id)?.bytes ?? 0) > overBytes) cache.delete(id);
  };
  return Object.assign(of, { drop });
}
