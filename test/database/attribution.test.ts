import { DEMO_BOOKS, recordOf } from "@simulators";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { fieldEntrySchema } from "@/contracts/field-book";
import { importOptionsSchema } from "@/contracts/imports";
import { totalLine } from "@/core/ledger";
import { currentAttribution, runWaiting } from "@/usecases/attribution";
import { type Book, createBook } from "@/usecases/books";
import { loadDemo, type Services } from "@/wiring";
import { siteInput } from "../site-builder";
import { freshServices } from "./services";

let services: Services;
let book: Book;

beforeAll(async () => {
  services = await freshServices();
});
beforeEach(async () => {
  for (const old of await services.books.list()) await services.books.remove(old.id);
  book = await createBook(services.books, siteInput());
});
afterAll(() => services.sequelize.close());

const entry = (from: string, note = "") => fieldEntrySchema.parse({ from, to: from, kind: "cleaning", array: "", note, value: "" });

describe("field-book entries", () => {
  it("are kept by date and make the book a newer one", async () => {
    await services.entries.add(book.id, [entry("2023-05-02"), entry("2022-01-01", "the first")]);
    const kept = await services.entries.of(book.id);
    expect(kept.map(({ from }) => from)).toEqual(["2022-01-01", "2023-05-02"]);
    expect((await services.books.byId(book.id))!.version).toBe(book.version + 1);
    expect(await services.entries.remove(book.id, kept[0]!.id, null)).toBe("gone");
    expect(await services.entries.remove(book.id, kept[0]!.id, null)).toBe("missing");
    expect(await services.entries.of(book.id)).toHaveLength(1);
  });
});

describe("a search for causes", () => {
  it("is asked for once a version, taken by one worker, and stopped when cancelled", async () => {
    expect((await currentAttribution(services, book)).state).toBe("waiting");
    expect(await services.causes.want(book.id, book.version)).toBe(false);
    const taken = await Promise.all([services.causes.take(book.id), services.causes.take(book.id)]);
    expect(taken.filter((one) => one !== null)).toHaveLength(1);
    expect(await services.causes.progress(book.id, 0.4)).toBe(true);
    expect((await services.causes.of(book.id))!.doneFrac).toBe(0.4);
    await services.causes.cancel(book.id);
    expect(await services.causes.progress(book.id, 0.6)).toBe(false);
    await services.causes.done(book.id, book.version, null, "");
    expect((await services.causes.of(book.id))!.state).toBe("cancelled");
  });

  it("of a book without readings ends with a word and no report", async () => {
    await currentAttribution(services, book);
    expect(await runWaiting(services)).toBe(1);
    const run = (await services.causes.of(book.id))!;
    expect([run.state, run.report, run.note]).toEqual(["done", null, "Weather and production share no time yet."]);
    expect(await runWaiting(services)).toBe(0);
  });

  it("of the demo tells each book's story, and a change of the book asks for another", async () => {
    await services.books.remove(book.id);
    await loadDemo(services);
    const books = await services.books.list();
    for (const each of books) await currentAttribution(services, each);
    expect(await runWaiting(services)).toBe(books.length);
    const found = async (slug: string): Promise<string[]> => {
      const { report } = await currentAttribution(services, (await services.books.bySlug(slug))!);
      return report!.findings.map(({ kind }) => kind);
    };
    expect(await found("alpine-hut")).toEqual(expect.arrayContaining(["snow", "strings-out", "outage"]));
    expect(await found("packing-shed")).toEqual(expect.arrayContaining(["soiling", "outage", "unrecorded-cleaning"]));
    expect(await found("bore-field")).toEqual(expect.arrayContaining(["orientation"]));
    const hut = (await services.books.bySlug("alpine-hut"))!;
    const before = (await services.causes.of(hut.id))!.report!;
    await addDay(hut);
    await currentAttribution(services, (await services.books.bySlug("alpine-hut"))!);
    expect(await runWaiting(services)).toBe(1);
    const grown = (await services.causes.of(hut.id))!.report!;
    expect(grown.endUtcMs - before.endUtcMs).toBe(86_400_000);
    expect(grown.fitted).toEqual(before.fitted);
    expect(grown.months.filter(({ key }) => key < "2025-12")).toEqual(before.months.filter(({ key }) => key < "2025-12"));
    const shed = (await services.books.bySlug("packing-shed"))!;
    await services.entries.add(shed.id, [entry("2022-07-12", "remembered later")]);
    const after = await currentAttribution(services, (await services.books.bySlug("packing-shed"))!);
    expect(after.state).toBe("waiting");
    expect(after.report).not.toBeNull();
  }, 120_000);
});

/** The hut's weather and meter write one more day. */
async function addDay(hut: Book): Promise<void> {
  const demo = DEMO_BOOKS.find(({ site }) => site.name === hut.site.name)!;
  const firstUtcMs = Date.parse(demo.lastUtc);
  const record = recordOf({ ...demo, lastUtc: new Date(firstUtcMs + 86_400_000).toISOString() }, hut.site);
  for (const kind of ["weather", "production"] as const) {
    const series = record[kind].map((pages) => ({
      ...pages,
      meterId: kind === "production" ? "main" : "",
      days: new Map([...pages.days].filter(([day]) => (day + 1) * 86_400_000 > firstUtcMs)),
    }));
    const stepMinutes = series[0]!.stepMinutes;
    const batch = {
      ...{
        bookId: hut.id,
        kind,
        fileName: "one more day",
        sha256: (kind === "weather" ? "a" : "b").repeat(64),
        byteCount: 0,
        rowCount: 24,
        valueCount: 24,
      },
      ...{
        firstUtcMs,
        lastUtcMs: firstUtcMs + 86_400_000 - stepMinutes * 60_000,
        stepMinutes,
        options: importOptionsSchema.parse({}),
        notices: [],
      },
    };
    await services.imports.storeSeries(batch, series, new AbortController().signal);
  }
}

const emptyLine = (key: string) => ({ ...totalLine(key, []), readFrac: 1 });

describe("moved postings and closed months", () => {
  const closing = { month: "2023-04", postings: [], line: emptyLine("2023-04"), note: "signed" };

  it("are written with their trail, and taken back", async () => {
    await services.keeping.move(book.id, { month: "2023-04", from: "snow", to: "remainder", kwh: 3, reason: "no snow in April" }, "moved");
    await services.keeping.accept(book.id, "2023-04", "soiling", "accepted");
    await services.keeping.accept(book.id, "2023-04", "soiling", "accepted");
    await services.keeping.close(book.id, closing, "closed");
    const kept = await services.keeping.of(book.id);
    expect(kept.transfers).toMatchObject([{ from: "snow", to: "remainder", kwh: 3, reason: "no snow in April" }]);
    expect(kept.accepted).toEqual([{ month: "2023-04", account: "soiling" }]);
    expect(kept.closed).toMatchObject([{ month: "2023-04", line: { key: "2023-04" }, note: "signed" }]);
    expect(kept.audit.map(({ what }) => what)).toEqual(["closed", "accepted", "moved"]);
    expect(await services.keeping.takeBack(book.id, kept.transfers[0]!.id, "2023-04", "back")).toBe(true);
    expect(await services.keeping.takeBack(book.id, kept.transfers[0]!.id, "2023-04", "back")).toBe(false);
    await services.keeping.reopen(book.id, "2023-04", "reopened");
    expect((await services.keeping.of(book.id)).closed).toEqual([]);
    expect((await services.keeping.of(book.id)).audit).toHaveLength(5);
  });

  it("go with their book", async () => {
    await services.keeping.close(book.id, closing, "closed");
    await services.books.remove(book.id);
    expect((await services.keeping.of(book.id)).audit).toEqual([]);
  });
});
