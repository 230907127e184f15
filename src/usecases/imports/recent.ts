import type { ImportOptions } from "@/contracts/imports";
import type { Book } from "../books";
import type { Inspection } from "./inspect";

interface Kept {
  readonly uploadId: string;
  readonly key: string;
  readonly found: Inspection;
}

/** A decade of five-minute values is eight megabytes; more than a few files are never looked at together. */
const MOST_CACHED = 3;
/** Larger ones are read again rather than held. */
const MOST_VALUES = 4_000_000;

const keyOf = (book: Book, options: ImportOptions): string => `${book.id} ${book.version} ${JSON.stringify(options)}`;

/** What was just read is held for the import that follows its preview, so that a file is read once. Nothing depends on its being there. */
class RecentInspections {
  private kept: Kept[] = [];

  find(uploadId: string, book: Book, options: ImportOptions): Inspection | null {
    return this.kept.find((held) => held.uploadId === uploadId && held.key === keyOf(book, options))?.found ?? null;
  }

  keep(uploadId: string, book: Book, options: ImportOptions, found: Inspection): void {
    this.drop(uploadId);
    if ((found.file?.valueCount ?? 0) > MOST_VALUES) return;
    // The preview answers with what was found out put in; the import asks with that.
    const keys = new Set([keyOf(book, options), keyOf(book, found.options)]);
    this.kept = [...[...keys].map((key) => ({ uploadId, key, found })), ...this.kept].slice(0, 2 * MOST_CACHED);
  }

  drop(uploadId: string): void {
    this.kept = this.kept.filter((held) => held.uploadId !== uploadId);
  }
}

export const recent = new RecentInspections();
