import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { type ImportEvent, importOptionsSchema } from "@/contracts/imports";
import { type Book, createBook } from "@/usecases/books";
import { runImport, setBatchUndone } from "@/usecases/imports";
import { modulesOf, neighboursOf } from "@/usecases/neighbours";
import type { Services } from "@/wiring";
import { siteInput } from "../site-builder";
import { emptyShelf, freshServices } from "./services";

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

const IDS = ["M1", "M2", "M3", "M4", "M5", "M6"];
const DAYS = 60;
/** Clear days by the hour, Wh, each module as the others but the third, which gives four fifths. */
const lines = (lowFrac: number): string[] =>
  Array.from({ length: DAYS * 24 }, (_, i) => {
    const at = new Date(Date.UTC(2024, 4, 1) + i * 3_600_000);
    const wh = Math.max(0, Math.sin(((at.getUTCHours() - 5) / 14) * Math.PI)) * 300;
    return [`${at.toISOString().slice(0, 16)}Z`, ...IDS.map((id, k) => ((id === "M3" ? lowFrac : 1 + 0.002 * k) * wh).toFixed(2))].join(
      ",",
    );
  });

async function bring(fileName: string, lowFrac = 0.8): Promise<ImportEvent> {
  const text = [`time,${IDS.map((id) => `module ${id} [Wh]`).join(",")}`, ...lines(lowFrac)].join("\n");
  async function* body() {
    yield new TextEncoder().encode(text);
  }
  const { id } = await services.staging.put({ bookId: book.id, fileName, announcedBytes: null, body: body() });
  const events: ImportEvent[] = [];
  const fresh = (await services.books.bySlug(book.slug))!;
  for await (const event of runImport(services, fresh, id, importOptionsSchema.parse({}), new AbortController().signal)) events.push(event);
  return events.at(-1)!;
}

describe("readings of single modules", () => {
  it("are kept beside production, held against each other, and gone with their batch", async () => {
    const event = await bring("roof.csv");
    expect(event).toMatchObject({ kind: "done", batch: { kind: "modules", valueCount: IDS.length * DAYS * 24 } });
    expect(await services.readings.seriesOf(book.id, "production")).toEqual([]);
    expect(await services.readings.heldOf(book.id)).toEqual([]);
    const read = await modulesOf(services.readings, book.id);
    expect(read!.ids).toEqual(IDS);
    expect(read!.kwh[0]!.reduce((sum, kwh) => sum + (Number.isNaN(kwh) ? 0 : kwh), 0)).toBeGreaterThan(100);
    const report = await neighboursOf((own) => modulesOf(services.readings, own.id), book);
    expect(report!.odd.map(({ id, cause }) => [id, cause])).toEqual([["M3", "weak"]]);
    const batchId = event.kind === "done" ? event.batch.id : 0;
    await setBatchUndone(services.imports, book, batchId, true);
    expect(await modulesOf(services.readings, book.id)).toBeNull();
  });

  it("of the same bytes are refused, of the same values under another name bring nothing new, and later ones stand over earlier ones", async () => {
    await bring("roof.csv");
    await expect(bring("roof.csv")).rejects.toMatchObject({ reason: "file-refused" });
    const later = await bring("roof-again.csv", 0.7);
    expect(later.kind).toBe("done");
    const report = await neighboursOf((own) => modulesOf(services.readings, own.id), book);
    expect(report!.odd[0]!.levelFrac).toBeCloseTo(0.7, 1);
  });
});
