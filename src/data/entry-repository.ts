import { QueryTypes, type Sequelize, type Transaction } from "sequelize";
import { type NewEntry, newEntrySchema, storedEntrySchema } from "@/contracts/field-book";
import type { SiteDocument } from "@/contracts/site";
import type { Revision } from "@/core/site";
import type { EntryStore } from "@/usecases/field-book";

interface EntryRow {
  id: number;
  starts: string;
  ends: string;
  kind: string;
  array_id: string;
  note: string;
  value: string;
  meter_id: string;
  cost: string | null;
  who: string;
  measured: unknown;
  effect: readonly Revision[] | null;
  photos: unknown;
}

const SELECT = `select e.*, coalesce((select json_agg(json_build_object('id', p.id, 'widthPx', p.width_px, 'heightPx', p.height_px) order by p.created_at)
  from field_photos p where p.entry_id = e.id), '[]') as photos from field_entries e where e.book_id = :bookId order by e.starts, e.id`;

/** A decimal as it was written: the column keeps eight places. */
const plainDecimal = (text: string): string => (text.includes(".") ? text.replace(/0+$/, "").replace(/\.$/, "") : text);

/** Field-book entries in PostgreSQL, by date. */
export function entryRepository(sequelize: Sequelize): EntryStore {
  /** Lets the book's version rise; with a changed site only where nobody else changed it meanwhile. */
  const grow = async (
    bookId: string,
    change: { site: SiteDocument; version: number } | null,
    transaction: Transaction,
  ): Promise<boolean> => {
    if (!change) {
      await sequelize.query("update books set version = version + 1 where id = :bookId", { replacements: { bookId }, transaction });
      return true;
    }
    const [, changed] = await sequelize.query(
      "update books set site = :site, version = version + 1 where id = :bookId and version = :version",
      {
        replacements: { bookId, version: change.version, site: JSON.stringify(change.site) },
        transaction,
        type: QueryTypes.UPDATE,
      },
    );
    return changed > 0;
  };

  /** Work whose answer "book-changed" takes everything back. */
  const allOrNothing = async <T extends string>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
    const transaction = await sequelize.transaction();
    try {
      const answer = await work(transaction);
      await (answer === "book-changed" ? transaction.rollback() : transaction.commit());
      return answer;
    } catch (error) {
      await transaction.rollback();
      throw error;
    }
  };

  const insert = async (
    bookId: string,
    entry: NewEntry,
    effect: readonly Revision[] | null,
    transaction: Transaction,
  ): Promise<number | null> => {
    const { from, to, kind, array, note, value, meter, cost, who, measured, clientId } = entry;
    const rows = await sequelize.query<{ id: number }>(
      `insert into field_entries (book_id, starts, ends, kind, array_id, note, value, meter_id, cost, who, measured, client_id, effect)
       values (:bookId, :from, :to, :kind, :array, :note, :value, :meter, :cost, :who, :measured, :clientId, :effect)
       on conflict (book_id, client_id) do nothing returning id`,
      {
        replacements: {
          ...{ bookId, from, to, kind, array, note, value, meter, cost, who, clientId },
          measured: measured && JSON.stringify(measured),
          effect: effect && JSON.stringify(effect),
        },
        transaction,
        type: QueryTypes.SELECT,
      },
    );
    return rows[0]?.id ?? null;
  };

  return {
    async of(bookId) {
      const rows = await sequelize.query<EntryRow>(SELECT, { replacements: { bookId }, type: QueryTypes.SELECT });
      return rows.map((row) =>
        storedEntrySchema.parse({
          id: row.id,
          from: row.starts,
          to: row.ends,
          kind: row.kind,
          array: row.array_id,
          note: row.note,
          value: row.value,
          meter: row.meter_id,
          cost: row.cost === null ? null : plainDecimal(row.cost),
          who: row.who,
          measured: row.measured,
          appliedFrom: (row.effect ?? []).map(({ from }) => from),
          photos: row.photos,
        }),
      );
    },
    add: (bookId, entries) =>
      sequelize.transaction(async (transaction) => {
        for (const entry of entries) await insert(bookId, newEntrySchema.parse(entry), null, transaction);
        await grow(bookId, null, transaction);
      }),
    write: (bookId, { entry, photo, applied }) =>
      allOrNothing(async (transaction) => {
        const id = await insert(bookId, entry, applied?.revisions ?? null, transaction);
        if (id === null) return "known";
        if (photo)
          await sequelize.query(
            "insert into field_photos (entry_id, bytes, width_px, height_px) values (:id, :bytes, :widthPx, :heightPx)",
            {
              replacements: { id, bytes: Buffer.from(photo.bytes), widthPx: photo.widthPx, heightPx: photo.heightPx },
              transaction,
            },
          );
        return (await grow(bookId, applied, transaction)) ? "new" : "book-changed";
      }),
    async appliedBy(bookId, id) {
      const rows = await sequelize.query<{ effect: Revision[] | null }>(
        "select effect from field_entries where book_id = :bookId and id = :id",
        { replacements: { bookId, id }, type: QueryTypes.SELECT },
      );
      return rows[0] ? (rows[0].effect ?? []) : null;
    },
    remove: (bookId, id, without) =>
      allOrNothing(async (transaction) => {
        const gone = await sequelize.query("delete from field_entries where book_id = :bookId and id = :id returning id", {
          replacements: { bookId, id },
          transaction,
          type: QueryTypes.SELECT,
        });
        if (gone.length === 0) return "missing";
        return (await grow(bookId, without, transaction)) ? "gone" : "book-changed";
      }),
    async photo(bookId, photoId) {
      const rows = await sequelize.query<{ bytes: Buffer<ArrayBuffer> }>(
        "select p.bytes from field_photos p join field_entries e on e.id = p.entry_id where e.book_id = :bookId and p.id = :photoId",
        { replacements: { bookId, photoId }, type: QueryTypes.SELECT },
      );
      return rows[0] ? new Uint8Array(rows[0].bytes) : null;
    },
  };
}
