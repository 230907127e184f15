import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { from as copyFrom } from "pg-copy-streams";
import type { Transaction } from "sequelize";
import { type SourceFile, sourceFileSchema } from "@/contracts/evidence";
import type { Batch } from "@/contracts/imports";
import type { ImportStore, MeteredPages, NewBatch } from "@/usecases/imports";
import type { ChangeBook } from "./change-book";
import type { BatchRow, Models } from "./models";
import { COPY_HEADER, COPY_TRAILER, pageRow } from "./page-codec";
import { clientOf, endingWith } from "./raw-client";

/** Files of a book that stand, in the order in which they came. */
async function sourcesOf(batches: Models["Batch"], bookId: string): Promise<readonly SourceFile[]> {
  const rows = await batches.findAll({ where: { bookId, undoneAt: null }, order: ["id"] });
  return rows.map((row) => {
    const { fileName: name, sha256, byteCount, kind, origin, options } = row.get();
    return sourceFileSchema.parse({ name, sha256, byteCount, kind, origin, options });
  });
}

/** Import batches in PostgreSQL: each in one transaction, its pages by COPY. */
export function importRepository(models: Models, changeBook: ChangeBook): ImportStore {
  const { Batch: BatchModel, CounterReading, EnergySpan, PromiseMonth } = models;
  return {
    async batchesOf(bookId) {
      const rows = await BatchModel.findAll({ where: { bookId }, order: [["id", "DESC"]] });
      return rows.map((row) => asBatch(row.get()));
    },
    sourcesOf: (bookId) => sourcesOf(BatchModel, bookId),
    async standingBatch(bookId, kind, sha256, year = null) {
      const rows = await BatchModel.findAll({ where: { bookId, kind, sha256, undoneAt: null } });
      const same = rows.find((row) => year === null || row.get().options.year === year);
      return same ? asBatch(same.get()) : null;
    },
    storeSeries: (batch, series, signal) =>
      changeBook(batch.bookId, async ({ transaction }) => {
        const stored = await insertBatch(models, batch, transaction);
        const ids = await seriesIds(models, batch.bookId, series, transaction);
        await copyPages(transaction, pageRows(stored.id, series, ids), signal);
        return stored;
      }),
    storeSparse: (batch, { spans, counters }) =>
      changeBook(batch.bookId, async ({ transaction }) => {
        const stored = await insertBatch(models, batch, transaction);
        await EnergySpan.bulkCreate(
          spans.map(({ meterId, fromUtcMs, toUtcMs, kwh }) => ({
            batchId: stored.id,
            meterId,
            fromUtc: new Date(fromUtcMs),
            toUtc: new Date(toUtcMs),
            kwh,
          })),
          { transaction },
        );
        await CounterReading.bulkCreate(
          counters.map(({ meterId, atUtcMs, kwh }) => ({ batchId: stored.id, meterId, atUtc: new Date(atUtcMs), kwh })),
          { transaction },
        );
        return stored;
      }),
    storePromise: (batch, monthlyKwh) =>
      changeBook(batch.bookId, async ({ transaction }) => {
        const stored = await insertBatch(models, batch, transaction);
        await PromiseMonth.bulkCreate(
          monthlyKwh.map((kwh, month) => ({ batchId: stored.id, month: month + 1, kwh })),
          { transaction },
        );
        return stored;
      }),
    setUndone: (bookId, id, undone) =>
      changeBook(bookId, async ({ transaction, leave }) => {
        const row = await BatchModel.findOne({ where: { id, bookId }, transaction, lock: true });
        if (!row) {
          leave();
          return null;
        }
        await row.update({ undoneAt: undone ? new Date() : null }, { transaction });
        return asBatch(row.get());
      }),
  };
}

const date = (utcMs: number | null): Date | null => (utcMs === null ? null : new Date(utcMs));

async function insertBatch(
  { Batch: BatchModel }: Models,
  { firstUtcMs, lastUtcMs, notices, ...batch }: NewBatch,
  transaction: Transaction,
): Promise<Batch> {
  const row = await BatchModel.create(
    { ...batch, notices: [...notices], firstUtc: date(firstUtcMs), lastUtc: date(lastUtcMs), createdAt: new Date(), undoneAt: null },
    { transaction },
  );
  return asBatch(row.get());
}

async function seriesIds({ Series }: Models, bookId: string, series: readonly MeteredPages[], transaction: Transaction): Promise<number[]> {
  const ids: number[] = [];
  for (const { quantity, meterId, stepMinutes, phaseMinutes } of series) {
    const [row] = await Series.findOrCreate({ where: { bookId, quantity, meterId, stepMinutes, phaseMinutes }, transaction });
    ids.push(row.get().id);
  }
  return ids;
}

function* pageRows(batchId: number, series: readonly MeteredPages[], ids: readonly number[]): Generator<Buffer> {
  yield COPY_HEADER;
  for (const [k, pages] of series.entries()) {
    for (const [day, page] of pages.days) yield pageRow(ids[k]!, day, batchId, page);
  }
  yield COPY_TRAILER;
}

async function copyPages(transaction: Transaction, rows: Iterable<Buffer>, signal: AbortSignal): Promise<void> {
  const into = "copy day_pages (series_id, utc_day, batch_id, readings) from stdin (format binary)";
  const client = clientOf(transaction);
  // Raw SQL: a copy streams millions of rows in one statement, which the models' query can't do.
  const copying = client.query(copyFrom(into));
  await endingWith(client, () => pipeline(Readable.from(rows, { objectMode: true, highWaterMark: 16 }), copying, { signal }));
}

const asBatch = (row: BatchRow): Batch => ({
  id: row.id,
  kind: row.kind,
  origin: row.origin,
  fileName: row.fileName,
  sha256: row.sha256,
  byteCount: Number(row.byteCount),
  rowCount: row.rowCount,
  valueCount: row.valueCount,
  firstUtc: row.firstUtc?.toISOString() ?? null,
  lastUtc: row.lastUtc?.toISOString() ?? null,
  stepMinutes: row.stepMinutes,
  notices: row.notices ?? [],
  createdAt: row.createdAt.toISOString(),
  undoneAt: row.undoneAt?.toISOString() ?? null,
});
