import { createHash } from "node:crypto";
import { DEMO_BOOKS, type DemoBook, hourlyProduction, type PlantRecord, recordOf, supply } from "@simulators";
import { fieldEntrySchema } from "@/contracts/field-book";
import { importOptionsSchema } from "@/contracts/imports";
import { type Book, createBook } from "@/usecases/books";
import type { MeteredPages, NewBatch } from "@/usecases/imports";
import type { Services } from "./services";

/** Fills an empty shelf with the demo; returns the number of books made. */
export async function loadDemo(services: Services): Promise<number> {
  if ((await services.books.list()).length > 0) return 0;
  for (const demo of DEMO_BOOKS) await loadBook(services, demo);
  return DEMO_BOOKS.length;
}

async function loadBook(services: Services, demo: DemoBook): Promise<void> {
  const book = await createBook(services.books, demo.site, { isDemo: true });
  const record = recordOf(demo, book.site);
  const signal = new AbortController().signal;
  const meterId = book.site.meters[0]?.id ?? "main";
  for (const kind of ["weather", "production"] as const) {
    const series = record[kind].map((pages) => ({ ...pages, meterId: kind === "production" ? (pages.meterId ?? meterId) : "" }));
    await services.imports.storeSeries(batchOf(book, demo, kind, record, series), series, signal);
  }
  const entries = (demo.entries ?? []).map(({ from, to, kind, note }) =>
    fieldEntrySchema.parse({ from, to: to ?? from, kind, note, array: "", value: "" }),
  );
  if (entries.length > 0) await services.entries.add(book.id, entries);
  if (demo.consumer) await services.bills.replace(book.id, supply(book.site, demo.consumer, hourlyProduction(record)).bills);
}

function batchOf(
  book: Book,
  demo: DemoBook,
  kind: "weather" | "production",
  record: PlantRecord,
  series: readonly MeteredPages[],
): NewBatch {
  const stepMinutes = record[kind][0]!.stepMinutes;
  const values = series.map((pages) =>
    [...pages.days.values()].reduce((sum, page) => sum + page.filter((value) => !Number.isNaN(value)).length, 0),
  );
  return {
    bookId: book.id,
    kind,
    fileName: kind === "weather" ? "weather-mast-simulated" : "meter-simulated",
    sha256: createHash("sha256").update(`${demo.seed} ${demo.site.name} ${kind}`).digest("hex"),
    byteCount: 0,
    rowCount: Math.max(...values),
    valueCount: values.reduce((a, b) => a + b, 0),
    firstUtcMs: Date.parse(demo.firstUtc),
    lastUtcMs: Date.parse(demo.lastUtc) - stepMinutes * 60_000,
    stepMinutes,
    options: importOptionsSchema.parse({}),
    notices: [],
  };
}
