import type { Sequelize } from "sequelize";
import { variantSchema } from "@/contracts/what-if";
import type { VariantStore } from "@/usecases/variants";
import type { Models, VariantRow } from "./models";

const asVariant = ({ id, version, name, whatIf }: VariantRow) => variantSchema.parse({ id, version, name, whatIf });

/** Variants in PostgreSQL, oldest first. */
export function variantRepository(sequelize: Sequelize, { Book, Variant }: Models): VariantStore {
  return {
    of: async (bookId) => (await Variant.findAll({ where: { bookId }, order: ["id"] })).map((row) => asVariant(row.get())),
    keep: (bookId, { name, whatIf, over }, most) =>
      sequelize.transaction(async (transaction) => {
        // The book's row is held: of two that keep at once the second sees what the first has kept.
        await Book.findByPk(bookId, { attributes: ["id"], lock: true, transaction });
        const existing = await Variant.findOne({ where: { bookId, name }, transaction });
        if ((existing?.get().version ?? null) !== over) return "changed";
        if (existing) return asVariant((await existing.update({ whatIf, version: existing.get().version + 1 }, { transaction })).get());
        if ((await Variant.count({ where: { bookId }, transaction })) >= most) return "full";
        return asVariant((await Variant.create({ bookId, name, whatIf, version: 1, createdAt: new Date() }, { transaction })).get());
      }),
    remove: async (bookId, id) => (await Variant.destroy({ where: { bookId, id } })) > 0,
  };
}
