import { QueryTypes, type Sequelize, type Transaction } from "sequelize";
import { DAY_MS } from "@/core/units";
import { overlayPage, packPage } from "./page-codec";

/** Values in new places, and other values in places that held one. */
export interface Brought {
  readonly fresh: number;
  readonly changed: number;
}

/** Days of one series that go into one batch. */
export interface PagesOfBatch {
  readonly seriesId: number;
  readonly batchId: number;
  readonly days: ReadonlyMap<number, Float64Array>;
}

/** Days that one statement carries at most: some megabytes. */
const MOST_DAYS = 500;

const dateOf = (utcDay: number): string => new Date(utcDay * DAY_MS).toISOString().slice(0, 10);

/**
 * Lays pages over those of a batch: two statements for all of their days.
 * Raw SQL: pages are bytes that go in and out by the array, which the models' query can't express.
 */
export async function mergePages(
  sequelize: Sequelize,
  { seriesId, batchId, days }: PagesOfBatch,
  transaction: Transaction,
): Promise<Brought> {
  const all = [...days.keys()];
  let [fresh, changed] = [0, 0];
  for (let first = 0; first < all.length; first += MOST_DAYS) {
    const some = all.slice(first, first + MOST_DAYS);
    const stored = await pagesOf(sequelize, seriesId, batchId, some, transaction);
    const merged: [date: string, packed: string][] = [];
    for (const day of some) {
      const { page, ...brought } = overlaid(stored.get(dateOf(day)), days.get(day)!);
      fresh += brought.fresh;
      changed += brought.changed;
      if (brought.fresh + brought.changed > 0) merged.push([dateOf(day), packPage(page).toString("hex")]);
    }
    if (merged.length > 0) await storePages(sequelize, seriesId, batchId, merged, transaction);
  }
  return { fresh, changed };
}

function overlaid(stored: Buffer | undefined, page: Float64Array): Brought & { readonly page: Float64Array } {
  const merged = new Float64Array(page.length).fill(Number.NaN);
  if (stored) overlayPage(stored, merged, 0);
  let [fresh, changed] = [0, 0];
  for (let i = 0; i < page.length; i++) {
    if (Number.isNaN(page[i]) || merged[i] === page[i]) continue;
    if (Number.isNaN(merged[i])) fresh++;
    else changed++;
    merged[i] = page[i]!;
  }
  return { page: merged, fresh, changed };
}

async function pagesOf(
  sequelize: Sequelize,
  seriesId: number,
  batchId: number,
  days: readonly number[],
  transaction: Transaction,
): Promise<Map<string, Buffer>> {
  const rows = await sequelize.query<{ day: string; readings: Buffer }>(
    `select utc_day::text as day, readings from day_pages
     where series_id = :seriesId and batch_id = :batchId and utc_day = any(array[:days]::date[])`,
    { replacements: { seriesId, batchId, days: days.map(dateOf) }, type: QueryTypes.SELECT, transaction },
  );
  return new Map(rows.map(({ day, readings }) => [day, readings]));
}

async function storePages(
  sequelize: Sequelize,
  seriesId: number,
  batchId: number,
  pages: readonly (readonly [date: string, packed: string])[],
  transaction: Transaction,
): Promise<void> {
  await sequelize.query(
    `insert into day_pages (series_id, utc_day, batch_id, readings)
     select :seriesId, day, :batchId, decode(packed, 'hex') from unnest(array[:days]::date[], array[:packed]::text[]) as page(day, packed)
     on conflict (series_id, utc_day, batch_id) do update set readings = excluded.readings`,
    { replacements: { seriesId, batchId, days: pages.map(([day]) => day), packed: pages.map(([, packed]) => packed) }, transaction },
  );
}

/** First and last day of a batch's pages and its finest step; empty without pages. */
export async function spanOfBatch(
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
