import type { Sequelize } from "sequelize";

/*
 * Raw SQL: a migration describes tables as they were and as they become. A document keeps the order in which its keys were written, so that module types
 * stand as they were entered; the binary form sorts them by their length.
 */
export const siteAsWritten = {
  name: "0012-site-as-written",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("alter table books alter column site type json using site::json");
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("alter table books alter column site type jsonb using site::jsonb");
  },
};
