import { buffer } from "node:stream/consumers";
import { to as copyTo } from "pg-copy-streams";
import { QueryTypes, type Sequelize } from "sequelize";
import { weatherQuantities } from "@/contracts/mapping";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import type { ReadingStore, StoredSeries } from "@/usecases/ledger";
import type { Models, SeriesRow } from "./models";
import { type CopiedPage, overlayPage, readCopiedPages, setPage } from "./page-codec";
import { endingWith, withClient } from "./raw-client";

const WEATHER: readonly string[] = weatherQuantities;

// Later batches lie over earlier ones; sorting is left to us, since the server would do it on disk. Series ids are our own integers.
const copyPages = (seriesId: number): string => `copy (
  select p.batch_id, p.utc_day, p.readings
  from day_pages p join import_batches b on b.id = p.batch_id
  where p.series_id = ${Number(seriesId)} and b.undone_at is null
) to stdout (format binary)`;

/** Stored readings, joined from day pages; binary all the way, so that ten years of five-minute data take tens of milliseconds. */
export function readingRepository(sequelize: Sequelize, { Series, Batch, PromiseMonth, EnergySpan, CounterReading }: Models): ReadingStore {
  return {
    async seriesOf(bookId, kind) {
      const rows = (await Series.findAll({ where: { bookId }, order: ["id"] })).map((row) => row.get());
      const wanted = rows.filter((row) => WEATHER.includes(row.quantity) === (kind === "weather"));
      return withClient(sequelize, async (client) => {
        const found: StoredSeries[] = [];
        for (const row of wanted) {
          // Raw SQL: a copy streams pages as bytes, without a row object each.
          const copying = client.query(copyTo(copyPages(row.id)));
          const pages = readCopiedPages(await endingWith(client, () => buffer(copying)));
          if (pages.length > 0) found.push(joined(row, pages));
        }
        return found;
      });
    },
    async heldOf(bookId) {
      return sequelize.query<{ quantity: string; meterId: string }>(
        `select s.quantity, s.meter_id as "meterId" from series s where s.book_id = :bookId and exists
         (select 1 from day_pages p join import_batches b on b.id = p.batch_id where p.series_id = s.id and b.undone_at is null) order by s.id`,
        { replacements: { bookId }, type: QueryTypes.SELECT },
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
    async promiseOf(bookId) {
      const batch = await Batch.findOne({ where: { bookId, kind: "promise", undoneAt: null }, order: [["id", "DESC"]] });
      if (!batch) return null;
      const months = await PromiseMonth.findAll({ where: { batchId: batch.get().id }, order: ["month"] });
      return months.map((month) => month.get().kwh);
    },
  };
}

/** Of several with one key the last, in the order of their keys' first coming. */
function newest<T>(items: readonly T[], keyOf: (item: T) => string): T[] {
  return [...new Map(items.map((item) => [keyOf(item), item])).values()];
}

function joined(row: SeriesRow, pages: readonly CopiedPage[]): StoredSeries {
  let first = Number.POSITIVE_INFINITY;
  let last = Number.NEGATIVE_INFINITY;
  for (const { utcDay } of pages) {
    first = Math.min(first, utcDay);
    last = Math.max(last, utcDay);
  }
  const perDay = Math.round(1440 / row.stepMinutes);
  const values = new Float64Array((last - first + 1) * perDay).fill(Number.NaN);
  const standing = new Set<number>();
  for (const { utcDay, packed } of pages) {
    (standing.has(utcDay) ? overlayPage : setPage)(packed, values, (utcDay - first) * perDay);
    standing.add(utcDay);
  }
  const startUtcMs = first * DAY_MS + row.phaseMinutes * MINUTE_MS;
  return { quantity: row.quantity, meterId: row.meterId, values, axis: { startUtcMs, stepMinutes: row.stepMinutes, count: values.length } };
}
