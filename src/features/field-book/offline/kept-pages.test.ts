import { describe, expect, it } from "vitest";
import { askedToKeep, assetsOf, bookOf, keptAddresses, markedKept, standIns } from "./kept-pages";

describe("pages that are kept for when there is no line", () => {
  it("are those of a field book, and no other of a book's", () => {
    expect(bookOf("/books/hill-school/field-book")).toBe("hill-school");
    for (const path of ["/books/hill-school/ledger", "/books/a/b/field-book", "/api/books/hill-school/field-book", "/field-book"])
      expect(bookOf(path)).toBeNull();
    expect(keptAddresses("hill-school").map((address) => bookOf(address.split("?")[0]!))).toEqual(Array(3).fill("hill-school"));
  });

  it("are kept for a book that a page names, and for nothing else that it is sent", () => {
    expect(askedToKeep({ keep: "hill-school" })).toBe("hill-school");
    for (const told of [
      null,
      "hill-school",
      {},
      { keep: 3 },
      { keep: "../../api" },
      { keep: "a/../b" },
      { keep: "a".repeat(201) },
      { keep: "" },
    ])
      expect(askedToKeep(told)).toBeNull();
  });

  it("stand in for each other: the view without its other words, else the entries", () => {
    const path = "/books/b/field-book";
    expect(standIns(path, "?view=wall&on=2025-06-03")).toEqual([`${path}?view=wall&on=2025-06-03`, `${path}?view=wall`, path]);
    expect(standIns(path, "?on=2025-06-03")).toEqual([`${path}?on=2025-06-03`, path]);
    expect(standIns(path, "")).toEqual([path]);
  });

  it("bring the scripts, styles and letters that they name, each once, also those named for later", () => {
    const html = `<link rel="stylesheet" href="/_next/static/chunks/a1~b.css"/><script src="/_next/static/chunks/m-1.js"></script>
      <script>self.__next_f.push([1,"I[7,[\\"static/chunks/late.js\\",\\"/_next/static/chunks/m-1.js\\"]"])</script>
      <link rel="preload" href="/_next/static/media/serif.woff2" as="font"/><img src="/icon.svg"/>`;
    expect(assetsOf(html)).toEqual([
      "/_next/static/chunks/a1~b.css",
      "/_next/static/chunks/m-1.js",
      "/_next/static/chunks/late.js",
      "/_next/static/media/serif.woff2",
    ]);
  });

  it("say when they were kept, once, in the page's own tag", () => {
    const marked = markedKept('<!DOCTYPE html><html lang="en"><p>&lt;html lang</p></html>', Date.UTC(2025, 5, 3, 14));
    expect(marked).toBe('<!DOCTYPE html><html data-kept-at="2025-06-03T14:00:00.000Z" lang="en"><p>&lt;html lang</p></html>');
  });
});
