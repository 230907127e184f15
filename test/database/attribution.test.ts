import { DEMO_BOOKS, recordOf } from "@simulators";
import { QueryTypes } from "sequelize";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { fieldEntrySchema } from "@/contracts/field-book";
import { importOptionsSchema } from "@/contracts/imports";
import { totalLine } from "@/core/ledger";
import { runAttribution, runForPage } from "@/usecases/attribution";
import { type Book, createBook } from "@/usecases/books";
import { attributeAll, finishDemo, type Services } from "@/wiring";
import { siteInput } from "../site-builder";
import { allBooks, emptyShelf, freshServices } from "./services";

let services: Services;
let book: Book;

beforeAll(async () => {
  services = await freshServices();
});
beforeEach(async () => {
  await emptyShelf(services);
  book = await createBook(services.books, siteInput());
});
afterAll(() => services.close());

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
  it("is wanted by every change of a book, taken while it is wanted, and stopped when cancelled", async () => {
    expect(await services.attributions.statusOf(book.id)).toBeNull();
    await services.entries.add(book.id, [entry("2023-05-02")]);
    const status = (await services.attributions.statusOf(book.id))!;
    expect(status).toMatchObject({ state: "waiting", wantedVersion: book.version + 1, resultVersion: null });
    expect(await services.attributions.take(book.id)).toEqual({ version: book.version + 1 });
    expect(await services.attributions.progress(book.id, 0.4)).toBe(true);
    expect((await services.attributions.statusOf(book.id))!.doneFrac).toBe(0.4);
    await services.attributions.cancel(book.id);
    expect(await services.attributions.progress(book.id, 0.6)).toBe(false);
    expect(await services.attributions.take(book.id)).toBeNull();
    await services.attributions.done(book.id, book.version + 1, null);
    expect((await services.attributions.statusOf(book.id))!.state).toBe("cancelled");
  });

  it("leaves a job in the transaction of the change, and none of a change that was taken back", async () => {
    const jobs = async (): Promise<number> => {
      const [row] = await services.sequelize.query<{ jobs: number }>(
        "select count(*)::int as jobs from pgboss.job where name = 'attribution' and singleton_key = :id and state = 'created'",
        { replacements: { id: book.id }, type: QueryTypes.SELECT },
      );
      return row!.jobs;
    };
    expect(await services.books.saveSite(book.id, book.version + 9, book.site)).toBeNull();
    expect(await jobs()).toBe(0);
    await services.books.saveSite(book.id, book.version, book.site);
    await services.entries.add(book.id, [entry("2023-05-02")]);
    expect(await jobs()).toBe(1);
  });

  it("of a book without readings ends with a word and no result for pages", async () => {
    await services.attributions.want(book.id, book.version);
    expect(await runAttribution(services, book.id)).toBe(true);
    expect(await services.attributions.statusOf(book.id)).toMatchObject({
      state: "done",
      fault: "no-common-time",
      resultVersion: book.version,
      hasView: false,
    });
    expect(await services.attributions.viewOf(book.id)).toBeNull();
    expect(await runAttribution(services, book.id)).toBe(false);
  });

  it("of the demo tells each book's story, and is behind once the book changes", async () => {
    await services.books.remove(book.id);
    await finishDemo(services);
    const books = await allBooks(services);
    await attributeAll(services);
    expect(await services.attributions.behind()).toEqual([]);
    const bySlug = async (slug: string): Promise<Book> => (await services.books.bySlug(slug))!;
    const found = async (slug: string): Promise<string[]> =>
      (await services.attributions.viewOf((await bySlug(slug)).id))!.findings.map(({ kind }) => kind);
    expect(books).toHaveLength(7);
    expect(await found("alpine-hut")).toEqual(expect.arrayContaining(["snow", "strings-out", "outage"]));
    expect(await found("packing-shed")).toEqual(expect.arrayContaining(["soiling", "outage", "unrecorded-cleaning"]));
    expect(await found("bore-field")).toEqual(expect.arrayContaining(["orientation"]));
    expect(await found("drying-barn")).toEqual(expect.arrayContaining(["sensor-dirty", "sensor-drift"]));
    expect(await found("ice-works")).toEqual(expect.arrayContaining(["soiling", "derating", "held-low"]));
    const hut = await bySlug("alpine-hut");
    const before = (await services.attributions.reportOf(hut.id))!;
    await addDay(hut);
    expect(await runAttribution(services, hut.id)).toBe(true);
    const grown = (await services.attributions.reportOf(hut.id))!;
    expect(grown.endUtcMs - before.endUtcMs).toBe(86_400_000);
    expect(grown.fitted).toEqual(before.fitted);
    expect(grown.months.filter(({ key }) => key < "2025-12")).toEqual(before.months.filter(({ key }) => key < "2025-12"));
    const shed = await bySlug("packing-shed");
    await services.entries.add(shed.id, [entry("2022-07-12", "remembered later")]);
    const changed = await bySlug("packing-shed");
    expect(await services.attributions.behind()).toEqual([{ bookId: shed.id, version: changed.version }]);
    const run = runForPage(await services.attributions.statusOf(shed.id), changed);
    expect(run).toMatchObject({ state: "waiting", isCurrent: false, hasReport: true });
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
        origin: "measured" as const,
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
  const ACCEPTED = { code: "accepted", facts: { account: "soiling" } } as const;
  const CLOSED = { code: "closed", facts: { note: "signed" } } as const;
  const closing = { month: "2023-04", postings: [], line: emptyLine("2023-04"), note: "signed" };

  it("are written with their trail, and taken back", async () => {
    await services.keeping.move(
      book.id,
      { month: "2023-04", from: "snow", to: "unexplained", kwh: 3, reason: "no snow in April" },
      { code: "moved", facts: {} },
    );
    await services.keeping.accept(book.id, "2023-04", "soiling", ACCEPTED);
    await services.keeping.accept(book.id, "2023-04", "soiling", ACCEPTED);
    await services.keeping.close(book.id, closing, CLOSED);
    const kept = await services.keeping.of(book.id);
    expect(kept.transfers).toMatchObject([{ from: "snow", to: "unexplained", kwh: 3, reason: "no snow in April" }]);
    expect(kept.accepted).toEqual([{ month: "2023-04", account: "soiling" }]);
    expect(kept.closed).toMatchObject([{ month: "2023-04", line: { key: "2023-04" }, note: "signed" }]);
    expect(kept.audit.map(({ code }) => code)).toEqual(["closed", "accepted", "moved"]);
    expect(await services.keeping.takeBack(book.id, kept.transfers[0]!.id, "2023-04", { code: "taken-back", facts: {} })).toBe(true);
    expect(await services.keeping.takeBack(book.id, kept.transfers[0]!.id, "2023-04", { code: "taken-back", facts: {} })).toBe(false);
    await services.keeping.reopen(book.id, "2023-04", { code: "reopened", facts: { reason: "typed twice" } });
    expect((await services.keeping.of(book.id)).closed).toEqual([]);
    expect((await services.keeping.of(book.id)).audit).toHaveLength(5);
  });

  it("go with their book", async () => {
    await services.keeping.close(book.id, closing, CLOSED);
    await services.books.remove(book.id);
    expect((await services.keeping.of(book.id)).audit).toEqual([]);
  });
});
