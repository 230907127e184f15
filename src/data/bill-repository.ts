import { type BillDocument, billSchema } from "@/contracts/bills";
import { Exact } from "@/core/money";
import type { BillStore } from "@/usecases/money";
import type { ChangeBook } from "./change-book";
import type { Models } from "./models";

/** Digits behind the point that a numeral keeps at least; the column holds eight. */
const LEAST_DIGITS = 2;

/** Bills in PostgreSQL; amounts leave it as the numerals that went in. */
export function billRepository(changeBook: ChangeBook, { Bill, Book }: Models): BillStore {
  return {
    async of(bookId) {
      const rows = await Bill.findAll({ where: { bookId }, order: ["fromDay"] });
      return rows
        .map((row) => row.get())
        .map(({ bookId: _book, fromDay, toDay, amount, ...energies }) =>
          billSchema.parse({ ...energies, from: fromDay, to: toDay, amount: numeral(amount) }),
        );
    },
    async versionOf(bookId) {
      const row = await Book.findByPk(bookId, { attributes: ["billsVersion"] });
      return row?.get().billsVersion ?? 0;
    },
    replace: (bookId, bills, ofVersion) =>
      changeBook(bookId, async ({ transaction, leave }) => {
        // One that waited here for another's save finds that the version has gone.
        const [moved] = await Book.update({ billsVersion: ofVersion + 1 }, { where: { id: bookId, billsVersion: ofVersion }, transaction });
        const before = await Bill.findAll({
          where: { bookId },
          attributes: ["fromDay", "toDay", "productionKwh"],
          order: ["fromDay"],
          transaction,
        });
        const produced = before.flatMap((row) => producedOf({ ...row.get(), from: row.get().fromDay, to: row.get().toDay }));
        // Production that bills print counts as readings: where it stays as it was, the book does too.
        if (moved === 0 || JSON.stringify(produced) === JSON.stringify(bills.flatMap(producedOf))) leave();
        if (moved === 0) return false;
        await Bill.destroy({ where: { bookId }, transaction });
        await Bill.bulkCreate(
          bills.map(({ from, to, ...bill }) => ({ ...bill, bookId, fromDay: from, toDay: to })),
          { transaction },
        );
        return true;
      }),
  };
}

const producedOf = ({ from, to, productionKwh }: Pick<BillDocument, "from" | "to" | "productionKwh">): [string, string, number][] =>
  productionKwh === null ? [] : [[from, to, productionKwh]];

const numeral = (amount: string): string => {
  const value = new Exact(amount);
  return value.toFixed(Math.max(LEAST_DIGITS, value.decimalPlaces()));
};
