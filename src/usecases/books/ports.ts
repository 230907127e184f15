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

export interface BookStore {
  list(): Promise<readonly Book[]>;
  /** Names and addresses of all books: what stands on their spines. */
  spines(): Promise<readonly { readonly slug: string; readonly name: string; readonly isDemo: boolean }[]>;
  bySlug(slug: string): Promise<Book | null>;
  byId(id: string): Promise<Book | null>;
  create(book: { slug: string; site: SiteDocument; isDemo: boolean }): Promise<Book>;
  /** Saves when the version is still the given one; null when somebody else was faster. */
  saveSite(id: string, version: number, site: SiteDocument): Promise<Book | null>;
  remove(id: string): Promise<void>;
}
