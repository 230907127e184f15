import type { AttributionReport, AttributionRun } from "@/contracts/attribution";
import { plainEntry } from "@/contracts/field-book";
import type { Book } from "../books";
import type { EntryStore } from "../field-book";
import type { OpenLedger } from "../ledger";
import { figuresOf, type StandingStore } from "../reckoning";
import { attributeStepwise } from "./attribute";
import { extendAttribution } from "./extend";
import type { AttributionStatus, AttributionStore } from "./ports";

export interface AttributionPorts {
  readonly attributions: AttributionStore;
  readonly entries: EntryStore;
  readonly books: { byId(id: string): Promise<Book | null> };
  readonly ledgerOf: (book: Book) => Promise<OpenLedger>;
  readonly readings: { promiseOf(bookId: string): Promise<readonly number[] | null> };
  readonly standings: Pick<StandingStore, "keep">;
}

/**
 * Seeks the causes of a book if somebody wants them, storing progress as it goes; a cancelled search stops at its next step. Days that were added
 * since the last search are read by what that fitted, where they can be. Returns whether there was anything to do.
 */
export async function runAttribution(ports: AttributionPorts, bookId: string): Promise<boolean> {
  const { attributions, entries, books, ledgerOf, standings } = ports;
  const taken = await attributions.take(bookId);
  const book = taken && (await books.byId(bookId));
  if (!taken || !book) return false;
  try {
    const [ledger, stored, last] = await Promise.all([ledgerOf(book), entries.of(bookId), attributions.reportOf(bookId)]);
    // The ledger is open here anyway: pages and shelf get their figures from it.
    await standings.keep(bookId, { version: book.version, state: "fine", figures: await figuresOf(ports, book) });
    const written = stored.map(plainEntry);
    const extended = last && extendAttribution(last, ledger, written);
    if (extended) {
      await attributions.done(bookId, book.version, extended);
      return true;
    }
    const search = attributeStepwise({ ledger, entries: written });
    let step: IteratorResult<number, AttributionReport | null> = search.next();
    while (!step.done) {
      if (!(await attributions.progress(bookId, step.value))) return true;
      step = search.next();
    }
    await attributions.done(bookId, book.version, step.value);
    return true;
  } catch (error) {
    await attributions.fail(bookId, "failed");
    throw error;
  }
}

/** A search as a page sees it: how far it is, and whether what there is is of the book as it stands. */
export function runForPage(status: AttributionStatus | null, { version }: Pick<Book, "version">): AttributionRun {
  if (!status) return { state: "waiting", doneFrac: 0, fault: null, isCurrent: false, hasReport: false };
  const { state, doneFrac, fault, resultVersion, hasView } = status;
  return { state, doneFrac, fault, isCurrent: resultVersion === version, hasReport: hasView };
}
