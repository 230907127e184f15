import type { Client } from "pg";
import { to as copyTo } from "pg-copy-streams";
import { QueryTypes, type Sequelize } from "sequelize";
import { MODULE_QUANTITY, weatherQuantities } from "@/contracts/mapping";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import { usualSpans } from "@/core/weather";
import { IRRADIANCE, type ReadingStore, type SeriesKind, type StoredSeries } from "@/usecases/ledger";
import { giveBack } from "./give-back";
import type { Models, SeriesRow } from "./models";
import { type CopiedPage, copiedPages, overlayPage, packPage, setPage } from "./page-codec";
import { endingWith, withClient } from "./raw-client";

const WEATHER: readonly string[] = weatherQuantities;
const kindOfStored = (quantity: string): SeriesKind =>
  quantity === MODULE_QUANTITY ? "modules" : WEATHER.includes(quantity) ? "weather" : "production";

// Sorting is left to us, since the server would do it on disk. Series ids are our own integers.
const copyPages = (seriesId: number): string => `copy (
  select p.batch_id, p.utc_day, p.readings
  from day_pages p join import_batches b on b.id = p.batch_id
  where p.series_id = ${Number(seriesId)} and b.undone_at is null
) to stdout (format binary)`;

/** Stored readings, joined from day pages; binary all the way, so that ten years of five-minute data take tens of milliseconds. */
export function readingRepository(sequelize: Sequelize, { Series, Batch, PromiseMonth, EnergySpan, CounterReading }: Models): ReadingStore {
  return {
    async seriesOf(bookId, kind) {
      const all: StoredSeries[] = [];
      for await (const series of eachSeries(sequelize, Series, bookId, kind)) all.push(series);
      return all;
    },
    async *eachSeriesOf(bookId, kind) {
      for await (const series of eachSeries(sequelize, Series, bookId, kind)) {
        yield series;
        // Who asks for one after the other is done with this one.
        giveBack();
      }
    },
    async heldOf(bookId) {
      return sequelize.query<{ quantity: string; meterId: string }>(
        `select s.quantity, s.meter_id as "meterId" from series s where s.book_id = :bookId and s.quantity <> :modules and exists
         (select 1 from day_pages p join import_batches b on b.id = p.batch_id where p.series_id = s.id and b.undone_at is null) order by s.id`,
        { replacements: { bookId, modules: MODULE_QUANTITY }, type: QueryTypes.SELECT },
      );
    },
    async sparseOf(bookId) {
      const standing = (await Batch.findAll({ where: { bookId, kind: "production", undoneAt: null }, order: ["id"] })).map(
        (row) => row.get().id,
      );
      if (standing.length === 0) return { spans: [], counters: [] };
      const where = { batchId: standing };
      const [spans, counters] = await Promise.all([
        EnergySpan.findAll({ where, order: ["batchId", "fromUtc"] }),
        CounterReading.findAll({ where, order: ["batchId", "atUtc"] }),
      ]);
      return {
        spans: newest(
          spans
            .map((row) => row.get())
            .map(({ meterId, fromUtc, toUtc, kwh }) => ({ meterId, fromUtcMs: fromUtc.getTime(), toUtcMs: toUtc.getTime(), kwh })),
          ({ meterId, fromUtcMs }) => `${meterId} ${fromUtcMs}`,
        ),
        counters: newest(
          counters.map((row) => row.get()).map(({ meterId, atUtc, kwh }) => ({ meterId, atUtcMs: atUtc.getTime(), kwh })),
          ({ meterId, atUtcMs }) => `${meterId} ${atUtcMs}`,
        ),
      };
    },
    usualSpansOf: (bookId) => spansOfUsualLight(sequelize, Batch, bookId),
    async promiseOf(bookId) {
      const batch = await Batch.findOne({ where: { bookId, kind: "promise", undoneAt: null }, order: [["id", "DESC"]] });
      if (!batch) return null;
      const months = await PromiseMonth.findAll({ where: { batchId: batch.get().id }, order: ["month"] });
      return months.map((month) => month.get().kwh);
    },
  };
}

/** Where the light is a usual year's: of batches in the order in which they came. */
async function spansOfUsualLight(sequelize: Sequelize, Batch: Models["Batch"], bookId: string) {
  const batches = await Batch.findAll({ where: { bookId, kind: "weather", undoneAt: null }, order: ["id"] });
  if (batches.every((batch) => batch.get().origin === "measured")) return [];
  const lit = new Set(await batchesWithLight(sequelize, bookId));
  return usualSpans(
    batches
      .map((batch) => batch.get())
      .filter(({ id, firstUtc, lastUtc }) => lit.has(id) && firstUtc !== null && lastUtc !== null)
      .map(({ origin, firstUtc, lastUtc, stepMinutes }) => ({
        isUsual: origin !== "measured",
        fromUtcMs: firstUtc!.getTime(),
        toUtcMs: lastUtc!.getTime() + (stepMinutes ?? 60) * MINUTE_MS,
      })),
  );
}

/** Batches that hold light, not air or wind alone. */
async function batchesWithLight(sequelize: Sequelize, bookId: string): Promise<number[]> {
  const rows = await sequelize.query<{ id: number }>(
    `select b.id from import_batches b where b.book_id = :bookId and b.undone_at is null and exists
     (select 1 from series s join day_pages p on p.series_id = s.id and p.batch_id = b.id
      where s.book_id = :bookId and s.quantity in (:quantities))`,
    { replacements: { bookId, quantities: IRRADIANCE }, type: QueryTypes.SELECT },
  );
  return rows.map(({ id }) => id);
}

/** Of several with one key the last, in the order of their keys' first coming. */
function newest<T>(items: readonly T[], keyOf: (item: T) => string): T[] {
  return [...new Map(items.map((item) => [keyOf(item), item])).values()];
}

async function* eachSeries(sequelize: Sequelize, Series: Models["Series"], bookId: string, kind: SeriesKind): AsyncGenerator<StoredSeries> {
  const rows = (await Series.findAll({ where: { bookId }, order: ["id"] })).map((row) => row.get());
  for (const row of rows.filter(({ quantity }) => kindOfStored(quantity) === kind)) {
    const days = await daysOf(sequelize, row.id);
    // A connection is not held while the series is worked on.
    if (!days) continue;
    yield await withClient(sequelize, (client) => joined(client, row, days));
  }
}

/** First and last UTC day of which a page of a series stands. */
async function daysOf(sequelize: Sequelize, seriesId: number): Promise<{ first: number; last: number } | null> {
  const [days] = await sequelize.query<{ first: number | null; last: number | null }>(
    `select min(p.utc_day) - date '1970-01-01' as first, max(p.utc_day) - date '1970-01-01' as last
     from day_pages p join import_batches b on b.id = p.batch_id where p.series_id = :seriesId and b.undone_at is null`,
    { replacements: { seriesId }, type: QueryTypes.SELECT },
  );
  return days?.first == null || days.last == null ? null : { first: days.first, last: days.last };
}

/** A series of its pages, joined while they come: nothing but its values is held. Of several pages of a day later batches lie over earlier ones. */
async function joined(client: Client, row: SeriesRow, { first, last }: { first: number; last: number }): Promise<StoredSeries> {
  const perDay = Math.round(1440 / row.stepMinutes);
  const values = new Float64Array((last - first + 1) * perDay).fill(Number.NaN);
  /** The batch of each day's only page, and all pages of days that have several. */
  const only = new Int32Array(last - first + 1);
  const several = new Map<number, Omit<CopiedPage, "utcDay">[]>();
  const read = async (): Promise<void> => {
    // Raw SQL: a copy streams pages as bytes, without a row object each.
    for await (const { batchId, utcDay, packed } of copiedPages(client.query(copyTo(copyPages(row.id))))) {
      const day = utcDay - first;
      // A page outside came after the days were asked for: the book has another version by now.
      if (day < 0 || utcDay > last) continue;
      const offset = day * perDay;
      if (only[day] === 0) {
        setPage(packed, values, offset);
        only[day] = batchId;
        continue;
      }
      const pages: Omit<CopiedPage, "utcDay">[] = several.get(day) ?? [
        { batchId: only[day]!, packed: packPage(values.slice(offset, offset + perDay)) },
      ];
      pages.push({ batchId, packed: Uint8Array.from(packed) });
      several.set(day, pages);
    }
  };
  await endingWith(client, read);
  for (const [day, pages] of several) {
    const [lowest, ...over] = pages.sort((a, b) => a.batchId - b.batchId);
    setPage(lowest!.packed, values, day * perDay);
    for (const { packed } of over) overlayPage(packed, values, day * perDay);
  }
  const startUtcMs = first * DAY_MS + row.phaseMinutes * MINUTE_MS;
  return { quantity: row.quantity, meterId: row.meterId, values, axis: { startUtcMs, stepMinutes: row.stepMinutes, count: values.length } };
}
