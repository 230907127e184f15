import type { Book } from "@/usecases/books";
import { type OpenLedger, openLedger, type ReadingStore } from "@/usecases/ledger";

export type LedgerOf = (book: Book) => Promise<OpenLedger>;

/** Ledgers kept open; each holds a few megabytes a book-decade. */
const KEPT = 8;

/** Opens ledgers and keeps the last few: a book's version tells when one is out of date. */
export function ledgerCache(readings: ReadingStore): LedgerOf {
  const open = new Map<string, { version: number; ledger: Promise<OpenLedger> }>();
  return (book) => {
    const held = open.get(book.id);
    if (held?.version === book.version) return held.ledger;
    const ledger = read(readings, book);
    open.delete(book.id);
    open.set(book.id, { version: book.version, ledger });
    for (const id of [...open.keys()].slice(0, Math.max(0, open.size - KEPT))) open.delete(id);
    ledger.catch(() => open.delete(book.id));
    return ledger;
  };
}

async function read(readings: ReadingStore, book: Book): Promise<OpenLedger> {
  const [weather, production, promise] = await Promise.all([
    readings.seriesOf(book.id, "weather"),
    readings.seriesOf(book.id, "production"),
    readings.promiseOf(book.id),
  ]);
  return openLedger({ site: book.site, weather, production, promise });
}
