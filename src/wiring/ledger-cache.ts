import type { Examination } from "@/contracts/examination";
import type { Book } from "@/usecases/books";
import type { EntryStore } from "@/usecases/field-book";
import { type OpenLedger, openLedger, type ReadingStore } from "@/usecases/ledger";
import { cleanSeries, cleanSparse, type DecisionStore, examineBook } from "@/usecases/quality";

export type LedgerOf = (book: Book) => Promise<OpenLedger>;
export type ExaminationOf = (book: Book) => Promise<Examination>;

/** Ledgers kept open; each holds a few megabytes a book-decade. */
const MOST_CACHED = 8;

/** Keeps what was worked out for the last few books: a book's version tells when it is out of date. */
function byVersion<T>(make: (book: Book) => Promise<T>): (book: Book) => Promise<T> {
  const open = new Map<string, { version: number; made: Promise<T> }>();
  return (book) => {
    const cached = open.get(book.id);
    if (cached?.version === book.version) return cached.made;
    const made = make(book);
    open.delete(book.id);
    open.set(book.id, { version: book.version, made });
    for (const id of [...open.keys()].slice(0, Math.max(0, open.size - MOST_CACHED))) open.delete(id);
    made.catch(() => open.delete(book.id));
    return made;
  };
}

/** Opens ledgers over clean series, and examines the raw ones; the last few of both are kept. */
export function ledgerCache(
  readings: ReadingStore,
  decisions: DecisionStore,
  entries: EntryStore,
): { ledgerOf: LedgerOf; examinationOf: ExaminationOf } {
  const ledgerOf = byVersion(async (book) => {
    const [weather, production, sparse, promise, decided, field] = await Promise.all([
      readings.seriesOf(book.id, "weather"),
      readings.seriesOf(book.id, "production"),
      readings.sparseOf(book.id),
      readings.promiseOf(book.id),
      decisions.of(book.id),
      entries.of(book.id),
    ]);
    const { site } = book;
    const cleanings = field.filter(({ kind }) => kind === "cleaning").map(({ to }) => to.slice(0, 10));
    return openLedger({
      site,
      weather,
      promise,
      cleanings,
      production: cleanSeries(production, decided, site),
      sparse: cleanSparse(sparse, decided),
    });
  });
  const examinationOf = byVersion(async (book) => {
    const [ledger, weather, production, sparse, decided] = await Promise.all([
      ledgerOf(book),
      readings.seriesOf(book.id, "weather"),
      readings.seriesOf(book.id, "production"),
      readings.sparseOf(book.id),
      decisions.of(book.id),
    ]);
    return examineBook({ site: book.site, ledger, production, weather, sparse, decisions: decided });
  });
  return { ledgerOf, examinationOf };
}
