import { QueryTypes, type Sequelize } from "sequelize";
import { billSchema } from "@/contracts/bills";
import { Exact } from "@/core/money";
import type { BillStore } from "@/usecases/money";

/** Digits behind the point that a numeral keeps at least; the column holds eight. */
const LEAST_DIGITS = 2;

/** Bills in PostgreSQL; amounts leave it as the numerals that went in. */
export function billRepository(sequelize: Sequelize): BillStore {
  return {
    async of(bookId) {
      const rows = await sequelize.query<Record<string, unknown>>(
        `select from_day::text as "from", to_day::text as "to", usage_kwh as "usageKwh", import_kwh as "importKwh",
           import_by_band_kwh as "importByBandKwh", export_kwh as "exportKwh", production_kwh as "productionKwh", amount::text as amount
         from bills where book_id = :bookId order by from_day`,
        { replacements: { bookId }, type: QueryTypes.SELECT },
      );
      return rows.map((row) => billSchema.parse({ ...row, amount: numeral(String(row.amount)) }));
    },
    async replace(bookId, bills) {
      await sequelize.transaction(async (transaction) => {
        await sequelize.query("delete from bills where book_id = :bookId", { replacements: { bookId }, transaction });
        if (bills.length === 0) return;
        await sequelize.query(
          `insert into bills (book_id, from_day, to_day, usage_kwh, import_kwh, import_by_band_kwh, export_kwh, production_kwh, amount)
           select :bookId, r."from", r."to", r."usageKwh", r."importKwh", r."importByBandKwh", r."exportKwh", r."productionKwh", r.amount
           from jsonb_to_recordset(:rows::jsonb) as r("from" date, "to" date, "usageKwh" float8, "importKwh" float8, "importByBandKwh" jsonb,
             "exportKwh" float8, "productionKwh" float8, amount numeric)`,
          { replacements: { bookId, rows: JSON.stringify(bills) }, transaction },
        );
      });
    },
  };
}

const numeral = (amount: string): string => {
  const value = new Exact(amount);
  return value.toFixed(Math.max(LEAST_DIGITS, value.decimalPlaces()));
};
