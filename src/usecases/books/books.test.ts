import { siteInput } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { createBook } from "./books";
import type { Book, BookStore } from "./ports";

/** A shelf that holds nothing but its addresses. */
function shelf(): BookStore {
  const slugs = new Set<string>();
  return {
    bySlug: async (slug: string) => (slugs.has(slug) ? ({ slug } as Book) : null),
    create: async (book: Pick<Book, "slug" | "site" | "isDemo">) => {
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
    ["★", "book"],
    [`${"a".repeat(49)} end`, "a".repeat(49)],
  ])("of “%s” is %s", async (name, slug) => {
    expect((await createBook(shelf(), siteInput({ name }))).slug).toBe(slug);
  });

  it("is numbered where another book has it", async () => {
    const store = shelf();
    const slugs = [];
    for (let k = 0; k < 3; k++) slugs.push((await createBook(store, siteInput({ name: "Hut" }))).slug);
    expect(slugs).toEqual(["hut", "hut-2", "hut-3"]);
  });
});
