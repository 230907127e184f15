import type { AttributionReport, AttributionRun as PageRun } from "@/contracts/attribution";
import { plainEntry } from "@/contracts/field-book";
import type { Book } from "@/usecases/books";
import type { EntryStore } from "@/usecases/field-book";
import type { OpenLedger } from "@/usecases/ledger";
import { attributeStepwise } from "./attribute";
import { extendAttribution } from "./extend";
import type { AttributionRun, AttributionStore } from "./ports";

export interface AttributionPorts {
  readonly causes: AttributionStore;
  readonly entries: EntryStore;
  readonly books: { byId(id: string): Promise<Book | null> };
  readonly ledgerOf: (book: Book) => Promise<OpenLedger>;
}

/** What is known of a book's causes now; asks for them where the book has changed since. */
export async function currentAttribution({ causes }: Pick<AttributionPorts, "causes">, book: Book): Promise<AttributionRun> {
  const existing = await causes.of(book.id);
  if (existing && existing.reportVersion === book.version) return existing;
  const isOutdated = existing?.state === "done" && existing.reportVersion === null && existing.note === "";
  if (!existing || existing.wantedVersion !== book.version || isOutdated) await causes.want(book.id, book.version);
  return (await causes.of(book.id))!;
}

/** Works out what waits, one book after the other, keeping progress as it goes; a cancelled run stops at the next step. Returns how many were done. */
export async function runWaiting(ports: AttributionPorts): Promise<number> {
  let done = 0;
  for (const bookId of await ports.causes.waiting()) if (await runOne(ports, bookId)) done++;
  return done;
}

async function runOne({ causes, entries, books, ledgerOf }: AttributionPorts, bookId: string): Promise<boolean> {
  const taken = await causes.take(bookId);
  const book = taken && (await books.byId(bookId));
  if (!taken || !book) return false;
  try {
    const [ledger, kept, held] = await Promise.all([ledgerOf(book), entries.of(bookId), causes.of(bookId)]);
    const written = kept.map(plainEntry);
    const extended = held?.report ? extendAttribution(held.report, ledger, written) : null;
    if (extended) {
      await causes.done(bookId, book.version, extended, "");
      return true;
    }
    const search = attributeStepwise({ ledger, entries: written });
    let step = search.next();
    while (!step.done) {
      if (!(await causes.progress(bookId, step.value))) return false;
      step = search.next();
    }
    const report: AttributionReport | null = step.value;
    await causes.done(bookId, book.version, report, report ? "" : "Weather and production share no time yet.");
    return true;
  } catch (error) {
    await causes.fail(bookId, error instanceof Error ? error.message.slice(0, 300) : "failed");
    throw error;
  }
}

/** A run as a page sees it: without its report, and whether that is of the book as it stands. */
export const runForPage = ({ state, doneFrac, note, report, reportVersion }: AttributionRun, { version }: Book): PageRun => ({
  state,
  doneFrac,
  note,
  isCurrent: reportVersion === version,
  hasReport: report !== null,
});
