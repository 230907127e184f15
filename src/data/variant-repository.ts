import { variantSchema } from "@/contracts/what-if";
import type { VariantStore } from "@/usecases/variants";
import { columns } from "./columns";
import type { Models, VariantRow } from "./models";

const asVariant = ({ id, name, whatIf }: VariantRow) => variantSchema.parse({ id, name, whatIf });

const BY_NAME = columns<VariantRow>("book_id", "name");

/** Variants in PostgreSQL, oldest first. */
export function variantRepository({ Variant }: Models): VariantStore {
  return {
    of: async (bookId) => (await Variant.findAll({ where: { bookId }, order: ["id"] })).map((row) => asVariant(row.get())),
    async keep(bookId, { name, whatIf }) {
      const [row] = await Variant.upsert({ bookId, name, whatIf, createdAt: new Date() }, { conflictFields: BY_NAME });
      return asVariant(row.get());
    },
    remove: async (bookId, id) => (await Variant.destroy({ where: { bookId, id } })) > 0,
  };
}
