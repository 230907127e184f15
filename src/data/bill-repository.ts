import type { Sequelize } from "sequelize";
import { billSchema } from "@/contracts/bills";
import { Exact } from "@/core/money";
import type { BillStore } from "@/usecases/money";
import type { Models } from "./models";

/** Digits behind the point that a numeral keeps at least; the column holds eight. */
const LEAST_DIGITS = 2;

/** Bills in PostgreSQL; amounts leave it as the numerals that went in. */
export function billRepository(sequelize: Sequelize, { Bill }: Models): BillStore {
  return {
    async of(bookId) {
      const rows = await Bill.findAll({ where: { bookId }, order: ["fromDay"] });
      return rows
        .map((row) => row.get())
        .map(({ bookId: _book, fromDay, toDay, amount, ...energies }) =>
          billSchema.parse({ ...energies, from: fromDay, to: toDay, amount: numeral(amount) }),
        );
    },
    replace: (bookId, bills) =>
      sequelize.transaction(async (transaction) => {
        await Bill.destroy({ where: { bookId }, transaction });
        await Bill.bulkCreate(
          bills.map(({ from, to, ...bill }) => ({ ...bill, bookId, fromDay: from, toDay: to })),
          { transaction },
        );
      }),
  };
}

const numeral = (amount: string): string => {
  const value = new Exact(amount);
  return value.toFixed(Math.max(LEAST_DIGITS, value.decimalPlaces()));
};
