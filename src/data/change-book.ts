import type { Sequelize, Transaction } from "sequelize";
import type { SiteDocument } from "@/contracts/site";
import type { JobOutbox } from "./job-queue";
import type { Models } from "./models";

/** The book is no longer the version that a change was made from. */
export class BookMoved extends Error {
  override readonly name = "BookMoved";
}

/** A change of a book in the making. */
export interface BookChange {
  readonly transaction: Transaction;
  /** Puts a site document in place of the one of a version; throws BookMoved, which takes everything back. */
  readonly setSite: (site: SiteDocument, ofVersion: number) => Promise<void>;
  /** Nothing changed after all: the version stays. */
  readonly leave: () => void;
}

/**
 * The only door to a change of a book: one transaction, in which the version rises and the search for causes is asked for. What `work` throws
 * takes all of it back.
 */
export type ChangeBook = <T>(bookId: string, work: (change: BookChange) => Promise<T>) => Promise<T>;

export const bookChanger =
  (sequelize: Sequelize, { Book, AttributionRun }: Models, outbox: JobOutbox): ChangeBook =>
  (bookId, work) =>
    sequelize.transaction(async (transaction) => {
      let site: { readonly site: SiteDocument; readonly ofVersion: number } | null = null;
      let changes = true;
      const result = await work({
        transaction,
        setSite: async (document, ofVersion) => {
          const [row] = await Book.findAll({ where: { id: bookId, version: ofVersion }, attributes: ["id"], transaction, lock: true });
          if (!row) throw new BookMoved(`book ${bookId} is no longer version ${ofVersion}`);
          site = { site: document, ofVersion };
        },
        leave: () => {
          changes = false;
        },
      });
      if (!changes) return result;
      const values = {
        version: sequelize.literal("version + 1"),
        ...(site === null ? {} : { site: (site as { site: SiteDocument }).site }),
      };
      const [, rows] = await Book.update(values, { where: { id: bookId }, returning: true, transaction });
      const version = rows[0]?.get().version;
      if (version === undefined) return result;
      await AttributionRun.upsert(
        { bookId, wantedVersion: version, state: "waiting", doneFrac: 0, faultCode: null, updatedAt: new Date() },
        { transaction },
      );
      await outbox.wantAttribution(bookId, transaction);
      return result;
    });
