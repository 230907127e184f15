import { randomUUID } from "node:crypto";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { MOST_PHOTO_BYTES, type NewEntryInput, newEntrySchema } from "@/contracts/field-book";
import { siteOn } from "@/core/site";
import { type Book, createBook } from "@/usecases/books";
import { removeEntry, writeEntry } from "@/usecases/field-book";
import type { Services } from "@/wiring";
import { modelEffectInWords } from "@/wording/field-book";
import { siteInput } from "../site-builder";
import { emptyShelf, freshServices } from "./services";

let services: Services;
let book: Book;
beforeAll(async () => {
  services = await freshServices();
});
beforeEach(async () => {
  await emptyShelf(services);
  book = await createBook(services.books, siteInput({ commissioned: "2020-06-01" }));
});
afterAll(() => services.close());

const entry = (change: Partial<NewEntryInput> = {}) =>
  newEntrySchema.parse({ from: "2024-05-02", to: "2024-05-02", kind: "cleaning", ...change });
const photoOf = (width = 2400, height = 1200) =>
  sharp({ create: { width, height, channels: 3, background: "#884422" } })
    .withExif({ IFD0: { Copyright: "here is where I live" } })
    .jpeg()
    .toBuffer();
const now = () => services.books.byId(book.id).then((found) => found!);

describe("an entry", () => {
  it("is kept with its meter, cost, readings and photo, and the photo with nothing but its picture", async () => {
    const bytes = await photoOf();
    await writeEntry(services, book, entry({ meter: "main", cost: "120.50", who: "the crew", measured: { vocV: 48.9 } }), bytes);
    const [kept] = await services.entries.of(book.id);
    expect(kept).toMatchObject({
      meter: "main",
      cost: "120.5",
      who: "the crew",
      measured: { vocV: 48.9 },
      photos: [{ widthPx: 1600, heightPx: 800 }],
    });
    const stored = (await services.entries.photo(book.id, kept!.photos[0]!.id))!;
    expect(Buffer.from(bytes).includes("where I live")).toBe(true);
    expect(Buffer.from(stored).includes("where I live")).toBe(false);
    expect((await sharp(stored).metadata()).format).toBe("jpeg");
  });

  it("sent twice after a lost connection is kept once, and the book grows once", async () => {
    const sent = entry({ clientId: randomUUID() });
    const answers = await Promise.all([writeEntry(services, book, sent, null), writeEntry(services, book, sent, null)]);
    expect(answers.sort()).toEqual(["known", "new"]);
    expect(await services.entries.of(book.id)).toHaveLength(1);
    expect((await now()).version).toBe(book.version + 1);
  });

  it("under the id of another is refused, and is not taken for it", async () => {
    const sent = entry({ clientId: randomUUID() });
    await writeEntry(services, book, sent, null);
    const other = { ...sent, note: `${sent.note} and the lower row` };
    await expect(writeEntry(services, book, other, null)).rejects.toMatchObject({ reason: "entry-known-otherwise" });
    expect((await services.entries.of(book.id)).map(({ note }) => note)).toEqual([sent.note]);
  });

  it("that turns the rack stands in the model from its date on, and leaves with its entry", async () => {
    await writeEntry(services, book, entry({ kind: "tilt-change", array: "a", value: "52", apply: true }), null);
    const turned = await now();
    const tiltOn = (date: string, { site }: Book): number => siteOn(site, date).arrays[0]!.tiltDeg;
    expect(tiltOn("2024-05-02", turned)).toBe(52);
    expect(tiltOn("2024-05-01", turned)).toBe(book.site.arrays[0]!.tiltDeg);
    const [kept] = await services.entries.of(book.id);
    expect(kept!.appliedFrom).toEqual(["2024-05-02"]);
    await removeEntry(services, turned, kept!.id);
    expect((await now()).site).toEqual(book.site);
  });

  it("of somebody who saw an older book is not half stored", async () => {
    await services.books.saveSite(book.id, book.version, { ...book.site, name: "Changed meanwhile" });
    const late = writeEntry(services, book, entry({ kind: "tilt-change", array: "a", value: "52", apply: true }), null);
    await expect(late).rejects.toMatchObject({ code: "book-changed" });
    expect(await services.entries.of(book.id)).toEqual([]);
    expect((await now()).site.revisions).toEqual([]);
  });
});

describe("what can't be taken", () => {
  const refused = (change: Partial<NewEntryInput>, photo: Uint8Array | null = null) => writeEntry(services, book, entry(change), photo);

  it.each([
    ["an entry before the plant was there", { from: "2019-01-01", to: "2019-01-01" }, "entry-before-commissioning"],
    ["an entry of next year", { from: "2059-01-01", to: "2059-01-01" }, "entry-in-future"],
    ["an array that is not there", { array: "roof" }, "entry-array-unknown"],
    ["a meter that is not there", { meter: "cellar" }, "entry-meter-unknown"],
    ["a tilt that is none", { kind: "tilt-change", array: "a", value: "steep", apply: true }, "entry-effect-unclear"],
  ] as const)("%s is refused with its reason, and nothing is stored", async (_name, change, reason) => {
    await expect(refused(change as Partial<NewEntryInput>)).rejects.toMatchObject({ reason });
    expect(await services.entries.of(book.id)).toEqual([]);
  });

  it.each([
    ["a page with a script in it", Buffer.from("<html><script>alert(1)</script></html>")],
    [
      "a drawing that can hold scripts",
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>'),
    ],
    ["half a photo", Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
  ])("%s is no photo", async (_name, bytes) => {
    await expect(refused({}, bytes)).rejects.toMatchObject({ code: "photo-refused" });
    expect(await services.entries.of(book.id)).toEqual([]);
  });

  it("a photo above the limit is refused by its size", async () => {
    await expect(refused({}, new Uint8Array(MOST_PHOTO_BYTES + 1))).rejects.toMatchObject({
      reason: "photo-too-large",
      facts: { mostMegabytes: 12 },
    });
  });

  it("a script behind a true photo does not survive", async () => {
    const bytes = Buffer.concat([await photoOf(60, 40), Buffer.from("<script>alert(1)</script>")]);
    await refused({}, bytes);
    const [kept] = await services.entries.of(book.id);
    expect(Buffer.from((await services.entries.photo(book.id, kept!.photos[0]!.id))!).includes("script")).toBe(false);
  });
});

describe("what an entry changes, in words", () => {
  const words = (change: Partial<NewEntryInput>) => modelEffectInWords(book.site, entry(change));

  it("is said before it is written", () => {
    expect(words({}).text).toContain("Dirt begins anew on 2024-05-02");
    expect(words({ kind: "tilt-change", array: "a", value: "15°" }).text).toBe("From 2024-05-02 the model has a: tiltDeg 15.");
    expect(words({ kind: "meter-change", meter: "main", value: "dc" }).text).toContain("point dc");
    expect(words({ kind: "inspection" }).text).toContain("changes no figure");
    expect(words({ kind: "tilt-change", array: "a", value: "120" })).toMatchObject({ unclear: true });
  });
});
