import { createHash } from "node:crypto";
import { DEMO_BOOKS, type DemoBook, hourlyProduction, type PlantRecord, recordOf, supply } from "@simulators";
import { z } from "zod";
import { newTestSchema } from "@/contracts/acceptance";
import { fieldEntrySchema } from "@/contracts/field-book";
import { importOptionsSchema } from "@/contracts/imports";
import { keepTest, measuredTest } from "@/usecases/acceptance";
import { type Book, createBook } from "@/usecases/books";
import { asModuleEnergies, type MeteredPages, type NewBatch } from "@/usecases/imports";
import type { Services } from "./services";

const CHORE = "demo";
const choreSchema = z.object({ state: z.enum(["making", "made"]), names: z.array(z.string()) });

/**
 * Makes the demo on an empty shelf, or what was still missing when the last try was ended; returns the number of books made. A book that was begun and
 * not finished is taken off and made again.
 */
export async function finishDemo(services: Services): Promise<number> {
  const { vitalSigns, books } = services;
  const sign = await vitalSigns.of(CHORE);
  const chore = sign ? choreSchema.parse(sign.facts) : null;
  const spines = await books.spines();
  if (chore?.state === "made" || (!chore && spines.length > 0)) return 0;
  const names = [...(chore?.names ?? [])];
  for (const demo of DEMO_BOOKS) {
    const name = demo.site.name ?? "";
    if (names.includes(name)) continue;
    await vitalSigns.seen(CHORE, { state: "making", names });
    const begun = (await books.spines()).find((spine) => spine.isDemo && spine.name === name);
    const book = begun && (await books.bySlug(begun.slug));
    if (book) await books.remove(book.id);
    await loadBook(services, demo);
    names.push(name);
  }
  await vitalSigns.seen(CHORE, { state: "made", names });
  return names.length - (chore?.names.length ?? 0);
}

/** Whether the demo is in the making at this moment. */
export async function isDemoInTheMaking({ vitalSigns }: Pick<Services, "vitalSigns">): Promise<boolean> {
  const sign = await vitalSigns.of(CHORE);
  return sign !== null && choreSchema.parse(sign.facts).state === "making";
}

async function loadBook(services: Services, demo: DemoBook): Promise<void> {
  const book = await createBook(services.books, demo.site, { isDemo: true });
  const record = recordOf(demo, book.site);
  const signal = new AbortController().signal;
  const meterId = book.site.meters[0]?.id ?? "main";
  for (const kind of ["weather", "production", "modules"] as const) {
    if (record[kind].length === 0) continue;
    const own = record[kind].map((pages) => ({ ...pages, meterId: kind === "weather" ? "" : (pages.meterId ?? meterId) }));
    const series = kind === "modules" ? asModuleEnergies(own) : own;
    await services.imports.storeSeries(batchOf(book, demo, kind, record, series), series, signal);
  }
  const entries = (demo.entries ?? []).map(({ from, to, kind, note }) =>
    fieldEntrySchema.parse({ from, to: to ?? from, kind, note, array: "", value: "" }),
  );
  if (entries.length > 0) await services.entries.add(book.id, entries);
  for (const test of demo.tests ?? []) {
    // The book as it stands with its readings in it.
    const own = (await services.books.bySlug(book.slug))!;
    await keepTest(
      { ...services, measure: async (of, asked) => measuredTest(await services.ledgerOf(of), asked) },
      own,
      newTestSchema.parse(test),
    );
  }
  if (demo.consumer) await services.bills.replace(book.id, supply(book.site, demo.consumer, hourlyProduction(record)).bills, 0);
}

const FILE_NAMES = { weather: "weather-mast-simulated", production: "meter-simulated", modules: "module-recorder-simulated" } as const;

function batchOf(
  book: Book,
  demo: DemoBook,
  kind: "weather" | "production" | "modules",
  record: PlantRecord,
  series: readonly MeteredPages[],
): NewBatch {
  const stepMinutes = record[kind][0]!.stepMinutes;
  const values = series.map((pages) =>
    [...pages.days.values()].reduce((sum, page) => sum + page.filter((value) => !Number.isNaN(value)).length, 0),
  );
  return {
    bookId: book.id,
    origin: "measured",
    kind,
    fileName: FILE_NAMES[kind],
    sha256: createHash("sha256").update(`${demo.seed} ${demo.site.name} ${kind}`).digest("hex"),
    byteCount: 0,
    rowCount: Math.max(...values),
    valueCount: values.reduce((a, b) => a + b, 0),
    firstUtcMs: Date.parse(kind === "modules" ? demo.modules!.from : demo.firstUtc),
    lastUtcMs: Date.parse(kind === "modules" ? demo.modules!.to : demo.lastUtc) - stepMinutes * 60_000,
    stepMinutes,
    options: importOptionsSchema.parse({}),
    notices: [],
  };
}
