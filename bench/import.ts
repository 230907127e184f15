import { execFileSync } from "node:child_process";
import { createReadStream, createWriteStream } from "node:fs";
import { mkdir, rm, stat } from "node:fs/promises";
import path from "node:path";
import { finished } from "node:stream/promises";
import { DEMO_BOOKS } from "@simulators";
import { importOptionsSchema } from "@/contracts/imports";
import { migrate } from "@/data/migrate";
import { createBook } from "@/usecases/books";
import { previewImport, runImport } from "@/usecases/imports";
import { openServices } from "@/wiring";

export interface ImportFigures {
  readonly rows: number;
  readonly megabytes: number;
  readonly previewSeconds: number;
  readonly importSeconds: number;
  readonly copySeconds: number;
  readonly peakMegabytes: number;
  readonly readTenYearsMs: number;
  readonly pages: number;
}

const ROWS = 1_050_000;

async function writeCsv(file: string): Promise<void> {
  const out = createWriteStream(file);
  out.write("time,energy_kwh,note\n");
  const start = Date.UTC(2014, 0, 1);
  for (let i = 0; i < ROWS; i += 1000) {
    let block = "";
    for (let k = i; k < i + 1000; k++) {
      const hour = (k / 12) % 24;
      const kwh = Math.max(0, Math.sin(((hour - 6) / 12) * Math.PI)) * 3.9 + (k % 97) / 1000;
      block += `${new Date(start + k * 300_000).toISOString().slice(0, 19)}Z,${kwh.toFixed(6)},meter line ${String(k).padStart(18, "0")}\n`;
    }
    if (!out.write(block)) await new Promise<void>((resolve) => out.once("drain", () => resolve()));
  }
  out.end();
  await finished(out);
}

/** What psql's own \copy takes for the same rows into a table with a primary key on the time. */
function copyWithPsql(url: string, file: string): number {
  const psql = (command: string): void => void execFileSync("psql", ["-q", url, "-v", "ON_ERROR_STOP=1", "-c", command]);
  psql("drop table if exists bench_copy; create table bench_copy (time timestamptz primary key, energy_kwh double precision, note text)");
  const started = performance.now();
  psql(`\\copy bench_copy from '${file}' with (format csv, header)`);
  const seconds = (performance.now() - started) / 1000;
  psql("drop table bench_copy");
  return seconds;
}

/** Imports a million five-minute rows through the same use case as the browser, and the same file by \copy. */
export async function measureImport(): Promise<ImportFigures> {
  const folder = path.join(import.meta.dirname, "out");
  await mkdir(folder, { recursive: true });
  const file = path.join(folder, "million.csv");
  await writeCsv(file);
  const services = openServices({ ...process.env, DUSTY_LEDGER_VAR: folder }, { mayMigrate: true });
  await migrate(services.sequelize);
  const book = await createBook(services.books, { ...DEMO_BOOKS[0]!.site, name: `Bench ${Date.now()}` });
  let peak = 0;
  const watch = setInterval(() => {
    peak = Math.max(peak, process.memoryUsage().rss);
  }, 20);
  const { size } = await stat(file);
  const staged = await services.staging.put({
    bookId: book.id,
    fileName: "million.csv",
    announcedBytes: size,
    body: createReadStream(file),
  });
  const options = importOptionsSchema.parse({});
  const previewed = performance.now();
  const told = await previewImport(services, book, staged.id, options);
  const started = performance.now();
  let pages = 0;
  for await (const event of runImport(services, book, staged.id, told.options, new AbortController().signal))
    if (event.kind === "done") pages = event.pages;
  const importSeconds = (performance.now() - started) / 1000;
  clearInterval(watch);
  let readTenYearsMs = Number.POSITIVE_INFINITY;
  for (let round = 0; round < 8; round++) {
    const reading = performance.now();
    await services.readings.seriesOf(book.id, "production");
    readTenYearsMs = Math.min(readTenYearsMs, performance.now() - reading);
  }
  await services.books.remove(book.id);
  await services.sequelize.close();
  const copySeconds = copyWithPsql(process.env.DATABASE_URL!, file);
  await rm(file);
  return {
    rows: ROWS,
    megabytes: size / 1e6,
    previewSeconds: (started - previewed) / 1000,
    importSeconds,
    copySeconds,
    peakMegabytes: peak / 1e6,
    readTenYearsMs,
    pages,
  };
}
