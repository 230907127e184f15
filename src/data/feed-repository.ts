import { createHash } from "node:crypto";
import { Op, QueryTypes, type Sequelize, type Transaction } from "sequelize";
import { type Feed, feedSchema } from "@/contracts/feeds";
import { importOptionsSchema } from "@/contracts/imports";
import { DAY_MS } from "@/core/units";
import type { FeedStore } from "@/usecases/feeds";
import type { MeteredPages } from "@/usecases/imports";
import type { FeedRow, Models } from "./models";
import { overlayPage, packPage } from "./page-codec";

const iso = (date: Date | null): string | null => date?.toISOString() ?? null;
const date = (utcMs: number | null): Date | null => (utcMs === null ? null : new Date(utcMs));

const asFeed = (row: FeedRow): Feed =>
  feedSchema.parse({
    id: row.id,
    settings: row.settings,
    cursorUtc: iso(row.cursorUtc),
    nextUtc: iso(row.nextUtc),
    lastTriedUtc: iso(row.lastTriedUtc),
    lastFineUtc: iso(row.lastFineUtc),
    lastError: row.lastError,
    failures: row.failures,
    valueCount: row.valueCount,
  });

/** Feeds in PostgreSQL; what a pull brought goes into the feed's batch of the month. */
export function feedRepository(sequelize: Sequelize, models: Models): FeedStore {
  const { Book, Feed: FeedModel } = models;
  return {
    of: async (bookId) => (await FeedModel.findAll({ where: { bookId }, order: ["id"] })).map((row) => asFeed(row.get())),
    async find(feedId) {
      const row = (await FeedModel.findByPk(feedId))?.get();
      return row ? { feed: asFeed(row), bookId: row.bookId } : null;
    },
    async create(bookId, settings, isDemo, cursorUtcMs) {
      const row = await FeedModel.create({
        bookId,
        settings,
        isDemo,
        cursorUtc: date(cursorUtcMs),
        failures: 0,
        valueCount: 0,
        createdAt: new Date(),
      });
      await row.reload();
      return asFeed(row.get());
    },
    async change(bookId, id, settings, nextUtcMs) {
      const [, rows] = await FeedModel.update({ settings, nextUtc: date(nextUtcMs) }, { where: { bookId, id }, returning: true });
      return rows[0] ? asFeed(rows[0].get()) : null;
    },
    remove: async (bookId, id) => (await FeedModel.destroy({ where: { bookId, id } })) > 0,
    async due(nowUtcMs) {
      const rows = await FeedModel.findAll({
        where: { nextUtc: { [Op.lte]: new Date(nowUtcMs) }, settings: { enabled: true } } as never,
        order: ["nextUtc"],
      });
      return rows.map((row) => row.get().id);
    },
    commit: (feedId, pulled) =>
      sequelize.transaction(async (transaction) => {
        const row = await FeedModel.findByPk(feedId, { transaction, lock: true });
        if (!row) return 0;
        const { bookId, valueCount } = row.get();
        const { fresh, changed } = await layOver(sequelize, models, row.get(), pulled.series, transaction);
        const state = {
          cursorUtc: pulled.cursorUtcMs > 0 ? new Date(pulled.cursorUtcMs) : null,
          lastError: null,
          failures: 0,
          valueCount: valueCount + fresh,
        };
        await row.update(
          {
            ...state,
            nextUtc: new Date(pulled.nextUtcMs),
            lastTriedUtc: new Date(pulled.triedUtcMs),
            lastFineUtc: new Date(pulled.triedUtcMs),
          },
          { transaction },
        );
        if (fresh + changed > 0) await Book.increment("version", { where: { id: bookId }, transaction });
        return fresh;
      }),
    async fail(feedId, error, triedUtcMs, nextUtcMs) {
      await FeedModel.update(
        {
          lastError: error.slice(0, 1000),
          failures: sequelize.literal("failures + 1"),
          lastTriedUtc: new Date(triedUtcMs),
          nextUtc: new Date(nextUtcMs),
        },
        { where: { id: feedId } },
      );
    },
  };
}

const monthOf = (utcDay: number): string => new Date(utcDay * DAY_MS).toISOString().slice(0, 7);

/** Merges pages into the feed's batches, one a month. */
async function layOver(
  sequelize: Sequelize,
  models: Models,
  feed: FeedRow,
  series: readonly MeteredPages[],
  transaction: Transaction,
): Promise<Brought> {
  const all = { fresh: 0, changed: 0 };
  const months = [...new Set(series.flatMap(({ days }) => [...days.keys()].map(monthOf)))].sort();
  for (const month of months) {
    const batchId = await batchOf(models, feed, month, transaction);
    let fresh = 0;
    for (const { days, quantity, meterId, stepMinutes, phaseMinutes } of series) {
      const where = { bookId: feed.bookId, quantity, meterId, stepMinutes, phaseMinutes };
      const [row] = await models.Series.findOrCreate({ where, transaction });
      for (const [day, page] of days) {
        if (monthOf(day) !== month) continue;
        const brought = await mergePage(sequelize, { seriesId: row.get().id, day, batchId }, page, transaction);
        fresh += brought.fresh;
        all.changed += brought.changed;
      }
    }
    all.fresh += fresh;
    const grown = { rowCount: sequelize.literal(`row_count + ${fresh}`), valueCount: sequelize.literal(`value_count + ${fresh}`) };
    await models.Batch.update({ ...grown, ...(await spanOf(sequelize, batchId, transaction)) }, { where: { id: batchId }, transaction });
  }
  return all;
}

/** The feed's standing batch of a month; made when it is the first of it. */
async function batchOf({ Batch }: Models, feed: FeedRow, month: string, transaction: Transaction): Promise<number> {
  const existing = await Batch.findOne({ where: { feedId: feed.id, feedMonth: month, undoneAt: null }, transaction });
  if (existing) return existing.get().id;
  const made = await Batch.create(
    {
      bookId: feed.bookId,
      kind: feed.settings.kind,
      fileName: `feed ${feed.settings.name}, ${month}`,
      sha256: createHash("sha256").update(`feed ${feed.id} ${month} ${Date.now()}`).digest("hex"),
      byteCount: 0,
      rowCount: 0,
      valueCount: 0,
      firstUtc: null,
      lastUtc: null,
      stepMinutes: null,
      options: importOptionsSchema.parse({}),
      notices: [],
      feedId: feed.id,
      feedMonth: month,
      createdAt: new Date(),
      undoneAt: null,
    },
    { transaction },
  );
  return made.get().id;
}

/** Values in new places, and other values in places that held one. */
interface Brought {
  readonly fresh: number;
  readonly changed: number;
}

interface PagePlace {
  readonly seriesId: number;
  readonly day: number;
  readonly batchId: number;
}

async function mergePage(
  sequelize: Sequelize,
  { seriesId, day, batchId }: PagePlace,
  page: Float64Array,
  transaction: Transaction,
): Promise<Brought> {
  const replacements = { seriesId, batchId, day: new Date(day * DAY_MS).toISOString().slice(0, 10) };
  const [held] = await sequelize.query<{ readings: Buffer }>(
    "select readings from day_pages where series_id = :seriesId and batch_id = :batchId and utc_day = :day",
    { replacements, type: QueryTypes.SELECT, transaction },
  );
  const merged = new Float64Array(page.length).fill(Number.NaN);
  if (held) overlayPage(held.readings, merged, 0);
  let [fresh, changed] = [0, 0];
  for (let i = 0; i < page.length; i++) {
    if (Number.isNaN(page[i]) || merged[i] === page[i]) continue;
    if (Number.isNaN(merged[i])) fresh++;
    else changed++;
    merged[i] = page[i]!;
  }
  if (fresh + changed === 0) return { fresh, changed };
  await sequelize.query(
    `insert into day_pages (series_id, utc_day, batch_id, readings) values (:seriesId, :day, :batchId, decode(:packed, 'hex'))
     on conflict (series_id, utc_day, batch_id) do update set readings = excluded.readings`,
    { replacements: { ...replacements, packed: packPage(merged).toString("hex") }, transaction },
  );
  return { fresh, changed };
}

async function spanOf(
  sequelize: Sequelize,
  batchId: number,
  transaction: Transaction,
): Promise<{ firstUtc: Date; lastUtc: Date; stepMinutes: number } | object> {
  const [span] = await sequelize.query<{ first: string | null; last: string | null; step: number | null }>(
    "select min(p.utc_day) as first, max(p.utc_day) as last, min(s.step_minutes) as step from day_pages p join series s on s.id = p.series_id where p.batch_id = :batchId",
    { replacements: { batchId }, type: QueryTypes.SELECT, transaction },
  );
  return span?.first && span.last ? { firstUtc: new Date(span.first), lastUtc: new Date(span.last), stepMinutes: span.step } : {};
}
