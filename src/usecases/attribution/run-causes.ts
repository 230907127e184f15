import type { CauseReport, CauseRun as PageRun } from "@/contracts/causes";
import { plainEntry } from "@/contracts/field-book";
import type { Book } from "../books";
import type { EntryStore } from "../field-book";
import type { OpenLedger } from "../ledger";
import { extendCauses } from "./extend-causes";
import { seekCauses } from "./open-causes";
import type { CauseRun, CauseStore } from "./ports";

export interface CausePorts {
  readonly causes: CauseStore;
  readonly entries: EntryStore;
  readonly books: { byId(id: string): Promise<Book | null> };
  readonly ledgerOf: (book: Book) => Promise<OpenLedger>;
}

/** What is known of a book's causes now; asks for them where the book has changed since. */
export async function causesNow({ causes }: Pick<CausePorts, "causes">, book: Book): Promise<CauseRun> {
  const held = await causes.of(book.id);
  if (held && held.reportVersion === book.version) return held;
  const isOutdated = held?.state === "done" && held.reportVersion === null && held.note === "";
  if (!held || held.wantedVersion !== book.version || isOutdated) await causes.want(book.id, book.version);
  return (await causes.of(book.id))!;
}

/** Works out what waits, one book after the other, keeping progress as it goes; a cancelled run stops at the next step. Returns how many were done. */
export async function runWaiting(ports: CausePorts): Promise<number> {
  let done = 0;
  for (const bookId of await ports.causes.waiting()) if (await runOne(ports, bookId)) done++;
  return done;
}

async function runOne({ causes, entries, books, ledgerOf }: CausePorts, bookId: string): Promise<boolean> {
  const taken = await causes.take(bookId);
  const book = taken && (await books.byId(bookId));
  if (!taken || !book) return false;
  try {
    const [ledger, kept, held] = await Promise.all([ledgerOf(book), entries.of(bookId), causes.of(bookId)]);
    const written = kept.map(plainEntry);
    const extended = held?.report ? extendCauses(held.report, ledger, written) : null;
    if (extended) {
      await causes.done(bookId, book.version, extended, "");
      return true;
    }
    const search = seekCauses({ ledger, entries: written });
    let step = search.next();
    while (!step.done) {
      if (!(await causes.progress(bookId, step.value))) return false;
      step = search.next();
    }
    const report: CauseReport | null = step.value;
    await causes.done(bookId, book.version, report, report ? "" : "Weather and production share no time yet.");
    return true;
  } catch (error) {
    await causes.fail(bookId, error instanceof Error ? error.message.slice(0, 300) : "failed");
    throw error;
  }
}

/** A run as a page sees it: without its report, and whether that is of the book as it stands. */
export const runForPage = ({ state, doneFrac, note, report, reportVersion }: CauseRun, { version }: Book): PageRun => ({
  state,
  doneFrac,
  note,
  isCurrent: reportVersion === version,
  hasReport: report !== null,
});
