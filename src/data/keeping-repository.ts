import { QueryTypes, type Sequelize, type Transaction } from "sequelize";
import { keepingSchema } from "@/contracts/keeping";
import type { KeepingStore } from "@/usecases/keeping";

const SHOWN_AUDIT = 200;

/** Moved postings, closed months and their audit trail in PostgreSQL. */
export function keepingRepository(sequelize: Sequelize): KeepingStore {
  const change = (sql: string, replacements: Record<string, unknown>, what: string): Promise<number> =>
    sequelize.transaction(async (transaction) => {
      const changed = await sequelize.query(`${sql} returning 1`, { replacements, transaction, type: QueryTypes.SELECT });
      const rows = changed.length;
      if (rows > 0) await trail(replacements.bookId as string, replacements.month as string, what, transaction);
      return rows;
    });
  const trail = async (bookId: string, month: string, what: string, transaction: Transaction): Promise<void> => {
    await sequelize.query("insert into audit_entries (book_id, month, what) values (:bookId, :month, :what)", {
      replacements: { bookId, month, what },
      transaction,
    });
  };
  const rowsOf = (sql: string, bookId: string): Promise<Record<string, unknown>[]> =>
    sequelize.query(sql, { replacements: { bookId }, type: QueryTypes.SELECT });
  return {
    async of(bookId) {
      const [transfers, accepted, closed, audit] = await Promise.all([
        rowsOf(
          `select id, month, from_account as "from", to_account as "to", kwh, reason, made_at as "madeAt" from posting_transfers where book_id = :bookId order by id`,
          bookId,
        ),
        rowsOf("select month, account from accepted_postings where book_id = :bookId", bookId),
        rowsOf(`select kept, note, closed_at as "closedAt" from closed_months where book_id = :bookId order by month`, bookId),
        rowsOf(`select at, month, what from audit_entries where book_id = :bookId order by id desc limit ${SHOWN_AUDIT}`, bookId),
      ]);
      const iso = (value: unknown): string => new Date(value as Date).toISOString();
      return keepingSchema.parse({
        transfers: transfers.map((row) => ({ ...row, madeAt: iso(row.madeAt) })),
        accepted,
        closed: closed.map(({ kept, note, closedAt }) => ({ ...(kept as object), note, closedAt: iso(closedAt) })),
        audit: audit.map((row) => ({ ...row, at: iso(row.at) })),
      });
    },
    async move(bookId, { month, from, to, kwh, reason }, what) {
      await change(
        "insert into posting_transfers (book_id, month, from_account, to_account, kwh, reason) values (:bookId, :month, :from, :to, :kwh, :reason)",
        { bookId, month, from, to, kwh, reason },
        what,
      );
    },
    takeBack: async (bookId, id, month, what) =>
      (await change("delete from posting_transfers where book_id = :bookId and id = :id and month = :month", { bookId, id, month }, what)) >
      0,
    async accept(bookId, month, account, what) {
      await change(
        "insert into accepted_postings (book_id, month, account) values (:bookId, :month, :account) on conflict do nothing",
        { bookId, month, account },
        what,
      );
    },
    async close(bookId, { note, ...kept }, what) {
      await change(
        "insert into closed_months (book_id, month, kept, note) values (:bookId, :month, :kept, :note) on conflict do nothing",
        { bookId, month: kept.month, kept: JSON.stringify(kept), note },
        what,
      );
    },
    async reopen(bookId, month, what) {
      await change("delete from closed_months where book_id = :bookId and month = :month", { bookId, month }, what);
    },
  };
}
