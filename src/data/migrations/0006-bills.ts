import type { Sequelize } from "sequelize";

/**
 * Bills as printed. Amounts are exact decimals; energies are what a meter says. A period can't begin twice in a book.
 * Raw SQL: a migration describes tables as they were then, whatever the models say today.
 */
const UP = `
create table bills (
  book_id uuid not null references books on delete cascade,
  from_day date not null,
  to_day date not null check (to_day >= from_day),
  usage_kwh double precision,
  import_kwh double precision not null check (import_kwh >= 0),
  import_by_band_kwh jsonb not null default '{}' check (jsonb_typeof(import_by_band_kwh) = 'object'),
  export_kwh double precision check (export_kwh >= 0),
  production_kwh double precision check (production_kwh >= 0),
  amount numeric(20, 8) not null,
  primary key (book_id, from_day)
);
`;

export const bills = {
  name: "0006-bills",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(UP);
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("drop table bills");
  },
};
