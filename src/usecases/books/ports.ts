import type { SiteDocument } from "@/contracts/site";

export interface Book {
  readonly id: string;
  /** Name in addresses; unique, never changes. */
  readonly slug: string;
  readonly site: SiteDocument;
  /** Rises with every change of the site or of its readings. */
  readonly version: number;
  readonly isDemo: boolean;
}

export interface NewBook {
  readonly slug: string;
  readonly site: SiteDocument;
  readonly isDemo: boolean;
  readonly clientId: string | null;
}

export interface BookStore {
  /** Names and addresses of all books: what stands on their spines. */
  spines(): Promise<readonly { readonly slug: string; readonly name: string; readonly isDemo: boolean }[]>;
  bySlug(slug: string): Promise<Book | null>;
  byId(id: string): Promise<Book | null>;
  /** The document as it is stored, unread: it may be one that no longer can be. */
  find(slug: string): Promise<{ readonly id: string; readonly version: number; readonly site: unknown } | null>;
  /** Makes a book; null where the address has been taken. One that its client sends again is the one that was made. */
  create(book: NewBook): Promise<Book | null>;
  /** Saves when the version is still the given one; null when somebody else was faster. */
  saveSite(id: string, version: number, site: SiteDocument): Promise<Book | null>;
  remove(id: string): Promise<void>;
}
