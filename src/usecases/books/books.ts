import slugify from "@sindresorhus/slugify";
import anyAscii from "any-ascii";
import type { SiteDocument } from "@/contracts/site";
import { parseSite } from "@/formats/site-json";
import { bookNotFound, Refusal } from "../refusal";
import type { Book, BookStore } from "./ports";

export async function bookBySlug(store: BookStore, slug: string): Promise<Book> {
  const book = await store.bySlug(slug);
  if (!book) throw bookNotFound(slug);
  return book;
}

/** Opens a new book from a site document; the address comes from the site's name. A client that names its making may send it twice. */
export async function createBook(
  store: BookStore,
  json: unknown,
  { isDemo = false, clientId = null }: { readonly isDemo?: boolean; readonly clientId?: string | null } = {},
): Promise<Book> {
  const site = checkedSite(json);
  for (let tries = 0; ; tries++) {
    const slug = await freeSlug(store, site.name);
    // Another may have taken the address since it was found free.
    const book = await store.create({ slug, site, isDemo, clientId });
    if (book) return book;
    if (tries >= MOST_TRIES) throw new Refusal("book-changed", "address-taken", { slug });
  }
}

/** Saves a site document over the version that the editor saw. */
export async function saveSite(store: BookStore, slug: string, version: number, json: unknown): Promise<Book> {
  // A document that can't be read is put right by one that can.
  const book = await store.find(slug);
  if (!book) throw bookNotFound(slug);
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
const MOST_TRIES = 20;
/** Scripts whose letters the maker of addresses knows as they are. */
const KNOWN_LETTERS = /^[\p{Script=Latin}\p{Script=Common}\p{Script=Inherited}]*$/u;

/** A name as an address: letters of any script by their sound, and by a number of its own where nothing is left. */
function addressOf(name: string): string {
  const latin = KNOWN_LETTERS.test(name) ? name : anyAscii(name);
  const plain = slugify(latin, { decamelize: false }).slice(0, MOST_SLUG).replace(/-+$/, "");
  return (
    plain ||
    `book-${Math.floor(Math.random() * 0x10000)
      .toString(16)
      .padStart(4, "0")}`
  );
}

async function freeSlug(store: BookStore, name: string): Promise<string> {
  const plain = addressOf(name);
  for (let n = 1; ; n++) {
    const slug = n === 1 ? plain : `${plain}-${n}`;
    if (!(await store.find(slug))) return slug;
  }
}
