import path from "node:path";
import type { Sequelize } from "sequelize";
import { environmentSchema } from "@/contracts/environment";
import {
  bookRepository,
  connect,
  defineModels,
  importRepository,
  type Models,
  readingRepository,
  stagingFolder,
  variantRepository,
} from "@/data";
import type { BookStore } from "@/usecases/books";
import type { ImportPorts } from "@/usecases/imports";
import type { VariantStore } from "@/usecases/variants";
import { type LedgerOf, ledgerCache } from "./ledger-cache";

/** Everything that a request may ask for, put together once a process. */
export interface Services extends ImportPorts {
  readonly sequelize: Sequelize;
  readonly models: Models;
  readonly books: BookStore;
  readonly variants: VariantStore;
  readonly ledgerOf: LedgerOf;
}

export function openServices(environment: Record<string, string | undefined>): Services {
  const { DATABASE_URL, DUSTY_LEDGER_VAR } = environmentSchema.parse(environment);
  const sequelize = connect(DATABASE_URL);
  const models = defineModels(sequelize);
  const readings = readingRepository(sequelize, models);
  return {
    sequelize,
    models,
    books: bookRepository(sequelize, models),
    variants: variantRepository(models),
    readings,
    imports: importRepository(sequelize, models),
    staging: stagingFolder(path.resolve(DUSTY_LEDGER_VAR, "uploads")),
    ledgerOf: ledgerCache(readings),
  };
}

// A build has two bundles (pages and routes) that each load this module; the process must still hold one pool and one set of models.
const holder = globalThis as typeof globalThis & { dustyLedgerServices?: Services };

/** The process's services, from its environment. */
export function services(): Services {
  holder.dustyLedgerServices ??= openServices(process.env);
  return holder.dustyLedgerServices;
}
