import type { Transaction } from "sequelize";
import { type NewEntry, newEntrySchema, type StoredEntry, storedEntrySchema } from "@/contracts/field-book";
import type { Revision } from "@/core/site";
import type { EntryStore } from "@/usecases/field-book";
import { BookMoved, type ChangeBook } from "./change-book";
import type { EntryRow, Models, PhotoRow } from "./models";

/** A decimal as it was written: the column keeps eight places. */
const plainDecimal = (text: string): string => (text.includes(".") ? text.replace(/0+$/, "").replace(/\.$/, "") : text);

const asEntry = (row: EntryRow & { readonly photos: readonly Pick<PhotoRow, "id" | "widthPx" | "heightPx">[] }): StoredEntry =>
  storedEntrySchema.parse({
    id: row.id,
    from: row.starts,
    to: row.ends,
    kind: row.kind,
    array: row.arrayId,
    note: row.note,
    value: row.value,
    meter: row.meterId,
    cost: row.cost === null ? null : plainDecimal(row.cost),
    who: row.who,
    measured: row.measured,
    appliedFrom: (row.effect ?? []).map(({ from }) => from),
    photos: row.photos.map(({ id, widthPx, heightPx }) => ({ id, widthPx, heightPx })),
  });

const rowOf = (
  bookId: string,
  { from, to, array, meter, cost, clientId, measured, note, value, who, kind }: NewEntry,
  effect: readonly Revision[] | null,
) => ({ note, value, who, kind, bookId, starts: from, ends: to, arrayId: array, meterId: meter, cost, clientId, measured, effect });

/** Null where the client's own id was written before. */
async function insert(
  { Entry }: Models,
  bookId: string,
  entry: NewEntry,
  effect: readonly Revision[] | null,
  transaction: Transaction,
): Promise<number | null> {
  const [row] = await Entry.bulkCreate([rowOf(bookId, entry, effect)], { ignoreDuplicates: true, returning: ["id"], transaction });
  return row?.get().id ?? null;
}

/** Whether what was written under the client's own id is the same entry, sent again; another one must not be taken for it. */
async function isSame({ Entry }: Models, bookId: string, entry: NewEntry, transaction: Transaction): Promise<boolean> {
  const row = await Entry.findOne({ where: { bookId, clientId: entry.clientId }, transaction });
  const { kind, note, starts, ends } = row?.get() ?? {};
  return kind === entry.kind && note === entry.note && starts === entry.from && ends === entry.to;
}

/** Field-book entries in PostgreSQL, by date. */
export function entryRepository(models: Models, changeBook: ChangeBook): EntryStore {
  const { Entry, Photo } = models;
  return {
    async of(bookId) {
      const photos = { model: Photo, as: "photos", attributes: ["id", "widthPx", "heightPx"], separate: true, order: ["createdAt"] };
      const rows = await Entry.findAll({ where: { bookId }, order: ["starts", "id"], include: [photos] });
      return rows.map((row) => asEntry(row.get({ plain: true }) as Parameters<typeof asEntry>[0]));
    },
    countOf: (bookId) => Entry.count({ where: { bookId } }),
    add: (bookId, entries) =>
      changeBook(bookId, async ({ transaction }) => {
        const rows = entries.map((entry) => rowOf(bookId, newEntrySchema.parse(entry), null));
        await Entry.bulkCreate(rows, { ignoreDuplicates: true, transaction });
      }),
    write: (bookId, { entry, photo, applied }) =>
      orMoved(
        changeBook(bookId, async ({ transaction, setSite, leave }) => {
          if (applied) await setSite(applied.site, applied.version);
          const id = await insert(models, bookId, entry, applied?.revisions ?? null, transaction);
          if (id === null) {
            leave();
            return (await isSame(models, bookId, entry, transaction)) ? ("known" as const) : ("otherwise" as const);
          }
          if (photo)
            await Photo.create(
              { entryId: id, bytes: Buffer.from(photo.bytes), widthPx: photo.widthPx, heightPx: photo.heightPx },
              { transaction },
            );
          return "new" as const;
        }),
      ),
    async appliedBy(bookId, id) {
      const row = await Entry.findOne({ where: { bookId, id }, attributes: ["effect"] });
      return row ? (row.get().effect ?? []) : null;
    },
    remove: (bookId, id, without) =>
      orMoved(
        changeBook(bookId, async ({ transaction, setSite, leave }) => {
          if ((await Entry.destroy({ where: { bookId, id }, transaction })) === 0) {
            leave();
            return "missing" as const;
          }
          if (without) await setSite(without.site, without.version);
          return "gone" as const;
        }),
      ),
    async photo(bookId, photoId) {
      const row = await Photo.findOne({
        where: { id: photoId },
        include: [{ model: Entry, as: "entry", where: { bookId }, attributes: [] }],
      });
      return row && new Uint8Array(row.get().bytes as Buffer<ArrayBuffer>);
    },
  };
}

/** What a change gives, or that the book was changed by somebody else meanwhile. */
const orMoved = <T>(change: Promise<T>): Promise<T | "book-changed"> =>
  change.catch((error: unknown) => {
    if (error instanceof BookMoved) return "book-changed" as const;
    throw error;
  });
