import type { Sequelize } from "sequelize";

/*
 * Raw SQL: a migration describes tables as they were and as they become. Hours that were made of twelve means, or of a typical year put into a real one, had no
 * mark: they are told by what the import was asked for.
 */
export const originOfLight = {
  name: "0013-origin-of-light",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(
      `alter table import_batches add column origin text not null default 'measured'
       check (origin in ('measured', 'typical-year', 'monthly-means', 'own-meter', 'climate'))`,
    );
    await context.query(
      `update import_batches set origin = case when row_count = 12 then 'monthly-means' else 'typical-year' end
       where kind = 'weather' and options ->> 'year' is not null`,
    );
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("alter table import_batches drop column origin");
  },
};
