import { describe, expect, it } from "vitest";
import { everything, matching } from "./palette-actions";

const SPINES = [
  { slug: "packing-shed", name: "Packing shed" },
  { slug: "ferry-office", name: "Ferry office" },
];
const find = (query: string, slug: string | null = "packing-shed") => matching(everything(SPINES, slug), query, 8);

describe("the palette", () => {
  it("finds another book's view by words of both", () => {
    expect(find("ferry bills")[0]).toMatchObject({ label: "Ferry office: Bills", path: "/books/ferry-office/money?view=bills" });
    expect(find("bills ferry", null)[0]!.path).toBe("/books/ferry-office/money?view=bills");
  });

  it.each([
    ["AWG", /bench\?view=cable/],
    ["shut down", /field-book/],
    ["warranty", /ageing|site/],
    ["Causes", /ledger\?view=causes/],
  ])("leads from %s to where it is done", (query, path) => {
    expect(find(query).some((found) => path.test(found.path ?? ""))).toBe(true);
  });

  it.each(["kilowatt", "performance index", "confidence"])("says what %s means", (query) => {
    const term = find(query).find(({ group }) => group === "Glossary");
    expect(term?.description.length).toBeGreaterThan(10);
    expect(term?.path).toBeNull();
  });

  it("puts the open book's pages before others', and finds nothing where nothing is", () => {
    expect(find("bills")[0]!.path).toBe("/books/packing-shed/money?view=bills");
    expect(find("zzz qqq")).toEqual([]);
  });

  it("has every entry once", () => {
    const ids = everything(SPINES, "packing-shed").map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });
});
