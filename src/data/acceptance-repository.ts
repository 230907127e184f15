import type { Sequelize } from "sequelize";
import { keptTestSchema } from "@/contracts/acceptance";
import { siteSchema } from "@/contracts/site";
import type { AcceptanceStore } from "@/usecases/acceptance";
import type { KeptTestRow, Models } from "./models";

const asTest = ({ id, name, keptAt, question, report, frozen }: KeptTestRow) =>
  keptTestSchema.parse({ id, name, keptAt: keptAt.toISOString(), question, report, frozen });

/** Kept tests in PostgreSQL, newest first. */
export function acceptanceRepository(sequelize: Sequelize, { Book, KeptTest }: Models): AcceptanceStore {
  return {
    of: async (bookId) => (await KeptTest.findAll({ where: { bookId }, order: [["id", "desc"]] })).map((row) => asTest(row.get())),
    find: async (bookId, id) => {
      const row = await KeptTest.findOne({ where: { bookId, id } });
      return row && { ...asTest(row.get()), site: siteSchema.parse(row.get().site) };
    },
    keep: (bookId, { name, question, report, frozen, site }, most) =>
      sequelize.transaction(async (transaction) => {
        // The book's row is held: of two that keep at once the second sees what the first has kept.
        await Book.findByPk(bookId, { attributes: ["id"], lock: true, transaction });
        if (await KeptTest.findOne({ where: { bookId, name }, attributes: ["id"], transaction })) return "named";
        if ((await KeptTest.count({ where: { bookId }, transaction })) >= most) return "full";
        return asTest((await KeptTest.create({ bookId, name, question, report, frozen, site }, { transaction })).get());
      }),
    remove: async (bookId, id) => (await KeptTest.destroy({ where: { bookId, id } })) > 0,
  };
}
