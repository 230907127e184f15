import { rememberedReadingSchema } from "@/contracts/mapping";
import type { MappingStore } from "@/usecases/imports";
import type { Models } from "./models";

/** Confirmed readings of foreign tables in PostgreSQL. */
export function mappingRepository({ TableMapping }: Models): MappingStore {
  return {
    async find(fingerprint) {
      const row = (await TableMapping.findByPk(fingerprint))?.get();
      return row ? { reading: rememberedReadingSchema.parse(row.reading), confirmedAt: row.confirmedAt } : null;
    },
    async keep(fingerprint, reading) {
      await TableMapping.upsert({ fingerprint, reading, confirmedAt: new Date() });
    },
  };
}
