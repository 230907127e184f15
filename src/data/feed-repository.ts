import { createHash } from "node:crypto";
import { Op, type Sequelize, type Transaction, UniqueConstraintError } from "sequelize";
import { type Feed, feedSchema } from "@/contracts/feeds";
import { importOptionsSchema } from "@/contracts/imports";
import { DAY_MS } from "@/core/units";
import type { FeedStore } from "@/usecases/feeds";
import type { MeteredPages } from "@/usecases/imports";
import type { ChangeBook } from "./change-book";
import type { FeedRow, Models } from "./models";
import { type Brought, mergePages, spanOfBatch } from "./page-merge";

const iso = (date: Date | null): string | null => date?.toISOString() ?? null;
const date = (utcMs: number | null): Date | null => (utcMs === null ? null : new Date(utcMs));

const asFeed = (row: FeedRow): Feed =>
  feedSchema.parse({
    id: row.id,
    version: row.version,
    settings: row.settings,
    cursorUtc: iso(row.cursorUtc),
    nextUtc: iso(row.nextUtc),
    lastTriedUtc: iso(row.lastTriedUtc),
    lastFineUtc: iso(row.lastFineUtc),
    lastFault: row.lastFault,
    failures: row.failures,
    valueCount: row.valueCount,
  });

/** Feeds in PostgreSQL; what a pull brought goes into the feed's batch of the month. */
export function feedRepository(sequelize: Sequelize, models: Models, changeBook: ChangeBook): FeedStore {
  const { Feed: FeedModel } = models;
  return {
    of: async (bookId) => (await FeedModel.findAll({ where: { bookId }, order: ["id"] })).map((row) => asFeed(row.get())),
    async find(feedId) {
      const row = (await FeedModel.findByPk(feedId))?.get();
      return row ? { feed: asFeed(row), bookId: row.bookId } : null;
    },
    async create(bookId, settings, isDemo, cursorUtcMs) {
      const named = await FeedModel.findOne({ where: { bookId, settings: { name: settings.name } }, attributes: ["id"] });
      if (named) return null;
      const row = await FeedModel.create({
        bookId,
        settings,
        isDemo,
        cursorUtc: date(cursorUtcMs),
        failures: 0,
        valueCount: 0,
        createdAt: new Date(),
      }).catch((error: unknown) => {
        // Another of that name came in between.
        if (error instanceof UniqueConstraintError) return null;
        throw error;
      });
      await row?.reload();
      return row && asFeed(row.get());
    },
    async change(bookId, { id, version }, settings, nextUtcMs) {
      const [, rows] = await FeedModel.update(
        { settings, nextUtc: date(nextUtcMs), version: version + 1 },
        { where: { bookId, id, version }, returning: true },
      );
      return rows[0] ? asFeed(rows[0].get()) : null;
    },
    remove: async (bookId, id) => (await FeedModel.destroy({ where: { bookId, id } })) > 0,
    async due(nowUtcMs) {
      const rows = await FeedModel.findAll({ where: { nextUtc: { [Op.lte]: new Date(nowUtcMs) } }, order: ["nextUtc"] });
      return rows
        .map((row) => row.get())
        .filter(({ settings }) => settings.enabled)
        .map(({ id }) => id);
    },
    commit: (feedId, pulled) => commitPull(sequelize, models, changeBook, feedId, pulled),
    async fail(feedId, fault, triedUtcMs, nextUtcMs) {
      await FeedModel.update(
        {
          lastFault: fault,
          failures: sequelize.literal("failures + 1"),
          lastTriedUtc: new Date(triedUtcMs),
          nextUtc: new Date(nextUtcMs),
        },
        { where: { id: feedId } },
      );
    },
  };
}

/** What a pull brought, with the feed's new place in time; the number of fresh values. */
async function commitPull(
  sequelize: Sequelize,
  models: Models,
  changeBook: ChangeBook,
  feedId: number,
  pulled: Parameters<FeedStore["commit"]>[1],
): Promise<number> {
  const bookId = (await models.Feed.findByPk(feedId, { attributes: ["bookId"] }))?.get().bookId;
  if (bookId === undefined) return 0;
  return changeBook(bookId, async ({ transaction, leave }) => {
    const row = await models.Feed.findByPk(feedId, { transaction, lock: true });
    if (!row) {
      leave();
      return 0;
    }
    const { fresh, changed } = await layOver(sequelize, models, row.get(), pulled.series, transaction);
    if (fresh + changed === 0) leave();
    const tried = new Date(pulled.triedUtcMs);
    await row.update(
      {
        cursorUtc: pulled.cursorUtcMs > 0 ? new Date(pulled.cursorUtcMs) : null,
        lastFault: null,
        failures: 0,
        valueCount: row.get().valueCount + fresh,
        nextUtc: new Date(pulled.nextUtcMs),
        lastTriedUtc: tried,
        lastFineUtc: tried,
      },
      { transaction },
    );
    return fresh;
  });
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
      const ofMonth = new Map([...days].filter(([day]) => monthOf(day) === month));
      const brought = await mergePages(sequelize, { seriesId: row.get().id, batchId, days: ofMonth }, transaction);
      fresh += brought.fresh;
      all.changed += brought.changed;
    }
    all.fresh += fresh;
    const grown = { rowCount: sequelize.literal(`row_count + ${fresh}`), valueCount: sequelize.literal(`value_count + ${fresh}`) };
    await models.Batch.update(
      { ...grown, ...(await spanOfBatch(sequelize, batchId, transaction)) },
      { where: { id: batchId }, transaction },
    );
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
