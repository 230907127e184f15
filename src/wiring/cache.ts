import { LRUCache } from "lru-cache";
import type { Book } from "@/usecases/books";

/** Books whose results are cached; each holds a few megabytes a decade. */
const MOST_BOOKS = 8;

/** What is worked out of a book, cached for the last few: the book's version, with whatever else it hangs on, tells when it is out of date. */
export function byBook<T>(
  make: (book: Book) => Promise<T>,
  keyOf: (book: Book) => string | Promise<string> = () => "",
): (book: Book) => Promise<T> {
  const cache = new LRUCache<string, { readonly key: string; readonly made: Promise<T> }>({ max: MOST_BOOKS });
  return async (book) => {
    const key = `${book.version} ${await keyOf(book)}`;
    const cached = cache.get(book.id);
    if (cached?.key === key) return cached.made;
    const made = make(book);
    cache.set(book.id, { key, made });
    made.catch(() => cache.delete(book.id));
    return made;
  };
}
