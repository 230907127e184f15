import slugify from "@sindresorhus/slugify";
import type { SiteDocument } from "@/contracts/site";
import { parseSite } from "@/formats/site-json";
import { bookNotFound, Refusal } from "../refusal";
import type { Book, BookStore } from "./ports";

export async function bookBySlug(store: BookStore, slug: string): Promise<Book> {
  const book = await store.bySlug(slug);
  if (!book) throw bookNotFound(slug);
  return book;
}

/** Opens a new book from a site document; the address comes from the site's name. */
export async function createBook(store: BookStore, json: unknown, options: { isDemo?: boolean } = {}): Promise<Book> {
  const site = checkedSite(json);
  return store.create({ slug: await freeSlug(store, site.name), site, isDemo: options.isDemo ?? false });
}

/** Saves a site document over the version that the editor saw. */
export async function saveSite(store: BookStore, slug: string, version: number, json: unknown): Promise<Book> {
  const book = await bookBySlug(store, slug);
  const saved = await store.saveSite(book.id, version, checkedSite(json));
  if (!saved) {
    throw new Refusal("book-changed", "book-changed", { slug });
  }
  return saved;
}

function checkedSite(json: unknown): SiteDocument {
  const reading = parseSite(json);
  if (reading.ok) return reading.document;
  throw new Refusal("site-invalid", "site-invalid", {}, reading.problems);
}

/** Letters of an address that are read at a glance. */
const MOST_SLUG = 50;

async function freeSlug(store: BookStore, name: string): Promise<string> {
  const plain = slugify(name, { decamelize: false }).slice(0, MOST_SLUG).replace(/-+$/, "") || "book";
  for (let n = 1; ; n++) {
    const slug = n === 1 ? plain : `${plain}-${n}`;
    if (!(await store.bySlug(slug))) return slug;
  }
}
