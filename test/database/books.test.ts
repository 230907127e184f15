import { randomUUID } from "node:crypto";
import { siteInput } from "@test/site-builder";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { bookBySlug, createBook, saveSite } from "@/usecases/books";
import { figuresOf } from "@/usecases/reckoning";
import { readinessOf, type Services } from "@/wiring";
import { allBooks, emptyShelf, freshServices } from "./services";

let services: Services;

beforeAll(async () => {
  services = await freshServices();
});
beforeEach(() => emptyShelf(services));
afterAll(() => services.close());

describe("books that are made at once", () => {
  it("of one name each get an address of their own", async () => {
    const made = await Promise.all(Array.from({ length: 6 }, () => createBook(services.books, siteInput({ name: "Hut" }))));
    expect(made.map(({ slug }) => slug).sort()).toEqual(["hut", "hut-2", "hut-3", "hut-4", "hut-5", "hut-6"]);
  });

  it("by one form are one book, however often it is sent", async () => {
    const clientId = randomUUID();
    const made = await Promise.all(Array.from({ length: 6 }, () => createBook(services.books, siteInput({ name: "Hut" }), { clientId })));
    expect(new Set(made.map(({ id }) => id)).size).toBe(1);
    expect(await allBooks(services)).toHaveLength(1);
  });
});

describe("a stored document", () => {
  it("keeps its module types in the order in which they were entered", async () => {
    const modules = Object.fromEntries(["tarn-330", "m", "fell", "a-longer-name"].map((key) => [key, siteInput().modules.m]));
    const { slug } = await createBook(services.books, { ...siteInput({ name: "Order" }), modules });
    expect(Object.keys((await bookBySlug(services.books, slug)).site.modules)).toEqual(["tarn-330", "m", "fell", "a-longer-name"]);
  });
});

describe("a stored document that can't be read", () => {
  it("sets its book aside; the shelf goes on, and a corrected document puts it right", async () => {
    const [broken, sound] = [
      await createBook(services.books, siteInput({ name: "Broken" })),
      await createBook(services.books, siteInput({ name: "Sound" })),
    ];
    const many = JSON.stringify(Array.from({ length: 10_000 }, (_, k) => ({ ...broken.site.arrays[0], id: `a${k}` })));
    await services.sequelize.query("update books set site = jsonb_set(site::jsonb, '{arrays}', :many::jsonb) where id = :id", {
      replacements: { many, id: broken.id },
    });
    await expect(bookBySlug(services.books, broken.slug)).rejects.toMatchObject({ code: "set-aside", reason: "set-aside-document" });
    expect((await services.standings.shelf(0, 10)).map(({ name }) => name)).toEqual(["Broken", "Sound"]);
    expect((await bookBySlug(services.books, sound.slug)).id).toBe(sound.id);
    expect((await saveSite(services.books, broken.slug, 1, siteInput({ name: "Mended" }))).version).toBe(2);
    expect((await bookBySlug(services.books, broken.slug)).site.name).toBe("Mended");
  });
});

describe("what stands of a book", () => {
  it("is its newest figures: an older sum that ends later does not take their place", async () => {
    const book = await createBook(services.books, siteInput());
    const figures = await figuresOf(services, book);
    await services.standings.keep(book.id, { version: 3, state: "fine", figures });
    await services.standings.keep(book.id, { version: 2, state: "set-aside", reason: "time" });
    expect(await services.standings.of(book.id)).toEqual({ version: 3, state: "fine", figures });
    const [line] = await services.standings.shelf(0, 1);
    expect(line!.standing).toEqual({ version: 3, state: "fine", figures });
  });

  it("is set aside at one version, and forgotten when it is tried again", async () => {
    const book = await createBook(services.books, siteInput());
    await services.standings.keep(book.id, { version: 1, state: "set-aside", reason: "memory" });
    expect([await services.standings.setAsideAt(book.id, 1), await services.standings.setAsideAt(book.id, 2)]).toEqual(["memory", null]);
    await services.standings.tryAgain(book.id);
    expect(await services.standings.of(book.id)).toBeNull();
  });
});

describe("readiness", () => {
  it("names what is missing: a worker that was never seen, and one that has gone silent", async () => {
    expect(await readinessOf(services)).toMatchObject({
      ok: false,
      parts: { database: "fine", schema: "fine", queue: "fine", worker: "was never seen" },
    });
    await services.vitalSigns.seen("worker");
    expect((await readinessOf(services)).parts.worker).toBe("fine");
    await services.sequelize.query("update vital_signs set seen_at = now() - interval '2 minutes'");
    expect((await readinessOf(services)).parts.worker).toMatch(/not seen for 12\d s/);
  });
});
