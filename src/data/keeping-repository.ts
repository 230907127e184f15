import type { Sequelize, Transaction } from "sequelize";
import { type AuditCode, type AuditEntry, closedMonthSchema, type Keeping, keepingSchema, transferSchema } from "@/contracts/keeping";
import type { KeepingStore } from "@/usecases/keeping";
import type { ClosedMonthRow, Models, TransferRow } from "./models";

const SHOWN_AUDIT = 200;

const transferOf = ({ id, month, fromAccount, toAccount, kwh, reason, madeAt }: TransferRow) => ({
  ...{ id, month, kwh, reason },
  from: fromAccount,
  to: toAccount,
  madeAt: madeAt.toISOString(),
});
const closedOf = ({ kept, note, closedAt }: ClosedMonthRow) => ({ ...kept, note, closedAt: closedAt.toISOString() });

/** What was moved and closed in several books, with two questions. */
async function linesOf({ Transfer, ClosedMonth }: Models, bookIds: readonly string[]) {
  const where = { bookId: [...bookIds] };
  const [transfers, closed] = await Promise.all([
    Transfer.findAll({ where, order: ["id"] }),
    ClosedMonth.findAll({ where, order: ["month"] }),
  ]);
  const out = new Map<string, Pick<Keeping, "transfers" | "closed">>();
  const own = (bookId: string) => out.get(bookId) ?? { transfers: [], closed: [] };
  for (const row of transfers.map((each) => each.get())) {
    const { transfers: before, closed: kept } = own(row.bookId);
    out.set(row.bookId, { transfers: [...before, transferSchema.parse(transferOf(row))], closed: kept });
  }
  for (const row of closed.map((each) => each.get())) {
    const { transfers: moved, closed: before } = own(row.bookId);
    out.set(row.bookId, { transfers: moved, closed: [...before, closedMonthSchema.parse(closedOf(row))] });
  }
  return out;
}

async function keepingOf({ Transfer, Accepted, ClosedMonth, Audit }: Models, bookId: string): Promise<Keeping> {
  const where = { bookId };
  const [transfers, accepted, closed, audit] = await Promise.all([
    Transfer.findAll({ where, order: ["id"] }),
    Accepted.findAll({ where }),
    ClosedMonth.findAll({ where, order: ["month"] }),
    Audit.findAll({ where, order: [["id", "DESC"]], limit: SHOWN_AUDIT }),
  ]);
  return keepingSchema.parse({
    transfers: transfers.map((row) => transferOf(row.get())),
    accepted: accepted.map((row) => row.get()).map(({ month, account }) => ({ month, account })),
    closed: closed.map((row) => closedOf(row.get())),
    audit: audit.map((row) => row.get()).map(({ at, month, code, facts }) => ({ at: at.toISOString(), month, code, facts })),
  });
}

/** Moved postings, closed months and their audit trail in PostgreSQL; every change writes its trail in the same transaction. */
export function keepingRepository(sequelize: Sequelize, models: Models): KeepingStore {
  const { Transfer, Accepted, ClosedMonth, Audit } = models;
  /** Does one thing and writes it into the trail, or neither where nothing changed. */
  const change = (
    bookId: string,
    month: string,
    trail: { readonly code: AuditCode; readonly facts: AuditEntry["facts"] },
    work: (transaction: Transaction) => Promise<number>,
  ): Promise<number> =>
    sequelize.transaction(async (transaction) => {
      const changed = await work(transaction);
      if (changed > 0) await Audit.create({ bookId, month, ...trail }, { transaction });
      return changed;
    });
  return {
    of: (bookId) => keepingOf(models, bookId),
    linesOf: (bookIds) => linesOf(models, bookIds),
    async move(bookId, { month, from, to, kwh, reason }, trail) {
      await change(bookId, month, trail, async (transaction) => {
        await Transfer.create({ bookId, month, fromAccount: from, toAccount: to, kwh, reason }, { transaction });
        return 1;
      });
    },
    takeBack: async (bookId, id, month, trail) =>
      (await change(bookId, month, trail, (transaction) => Transfer.destroy({ where: { bookId, id, month }, transaction }))) > 0,
    async accept(bookId, month, account, trail) {
      const key = { bookId, month, account };
      await change(bookId, month, trail, async (transaction) => {
        const [, isNew] = await Accepted.findOrCreate({ where: key, transaction });
        return isNew ? 1 : 0;
      });
    },
    async close(bookId, { note, ...kept }, trail) {
      const key = { bookId, month: kept.month };
      await change(bookId, kept.month, trail, async (transaction) => {
        const [, isNew] = await ClosedMonth.findOrCreate({ where: key, defaults: { ...key, kept, note }, transaction });
        return isNew ? 1 : 0;
      });
    },
    async reopen(bookId, month, trail) {
      await change(bookId, month, trail, (transaction) => ClosedMonth.destroy({ where: { bookId, month }, transaction }));
    },
  };
}
