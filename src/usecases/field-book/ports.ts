import type { FieldEntry, NewEntry, StoredEntry } from "@/contracts/field-book";
import type { SiteDocument } from "@/contracts/site";
import type { Revision } from "@/core/site";

/** A photo made safe and small. */
export interface CleanPhoto {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly widthPx: number;
  readonly heightPx: number;
}

export interface EntryToKeep {
  readonly entry: NewEntry;
  readonly photo: CleanPhoto | null;
  /** Revisions that the entry puts into the model, with the site that holds them and the version that it was made from. */
  readonly applied: { readonly revisions: readonly Revision[]; readonly site: SiteDocument; readonly version: number } | null;
}

/** Where field-book entries are kept; a change of them is a change of the book. */
export interface EntryStore {
  of(bookId: string): Promise<readonly StoredEntry[]>;
  /** Several entries of a file, all or none. */
  countOf(bookId: string): Promise<number>;
  add(bookId: string, entries: readonly FieldEntry[]): Promise<void>;
  /** One entry with its photo and revisions, all or nothing. "known": it was written before; "otherwise": another entry was, under the same id; "book-changed": somebody changed the site meanwhile. */
  write(bookId: string, kept: EntryToKeep): Promise<"new" | "known" | "otherwise" | "book-changed">;
  /** Revisions that an entry put into the model. Null without such an entry. */
  appliedBy(bookId: string, id: number): Promise<readonly Revision[] | null>;
  /** Takes an entry out, and its revisions by saving the site without them. */
  remove(
    bookId: string,
    id: number,
    without: { readonly site: SiteDocument; readonly version: number } | null,
  ): Promise<"gone" | "missing" | "book-changed">;
  photo(bookId: string, photoId: string): Promise<Uint8Array<ArrayBuffer> | null>;
}

/** Reads a photo, takes everything out of the file but the picture, and makes it small; null when it is no photo. */
export type PhotoCleaner = (bytes: Uint8Array) => Promise<CleanPhoto | null>;
