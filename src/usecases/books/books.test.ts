import { siteInput } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { createBook } from "./books";
import type { Book, BookStore } from "./ports";

/** A shelf that holds nothing but its addresses. */
function shelf(): BookStore {
  const slugs = new Set<string>();
  return {
    find: async (slug: string) => (slugs.has(slug) ? { id: slug, version: 1, site: null } : null),
    create: async (book: Pick<Book, "slug" | "site" | "isDemo">) => {
      if (slugs.has(book.slug)) return null;
      slugs.add(book.slug);
      return { ...book, id: book.slug, version: 1 };
    },
  } as unknown as BookStore;
}

describe("the address of a book", () => {
  it.each([
    ["Packing shed", "packing-shed"],
    ["Łąka Straße Æbletoft", "laka-strasse-aebletoft"],
    ["  roof_2 (south) ", "roof-2-south"],
    ["الرياض", "lryd"],
    ["Станция Север", "stantsiya-sever"],
    ["太陽 2", "taiyang-2"],
    [`${"a".repeat(49)} end`, "a".repeat(49)],
  ])("of “%s” is %s", async (name, slug) => {
    expect((await createBook(shelf(), siteInput({ name }))).slug).toBe(slug);
  });

  it.each(["★", "---", "。"])("of “%s”, of which nothing is left, is a number of its own", async (name) => {
    const slug = (await createBook(shelf(), siteInput({ name }))).slug;
    expect(slug).toMatch(/^book-[0-9a-f]{4}$/);
  });

  it("is another where somebody took it in between, and told when that goes on", async () => {
    const taken = shelf();
    const always = { ...taken, find: async () => null };
    await createBook(always, siteInput({ name: "Hut" }));
    await expect(createBook(always, siteInput({ name: "Hut" }))).rejects.toMatchObject({ reason: "address-taken" });
  });

  it("is numbered where another book has it", async () => {
    const store = shelf();
    const slugs = [];
    for (let k = 0; k < 3; k++) slugs.push((await createBook(store, siteInput({ name: "Hut" }))).slug);
    expect(slugs).toEqual(["hut", "hut-2", "hut-3"]);
  });
});
