import path from "node:path";
import type { Sequelize } from "sequelize";
import { environmentSchema } from "@/contracts/environment";
import {
  attributionRepository,
  billRepository,
  bookRepository,
  connect,
  decisionRepository,
  defineModels,
  entryRepository,
  feedRepository,
  httpFetcher,
  importRepository,
  keepingRepository,
  type Models,
  mappingRepository,
  photoCleaner,
  readingRepository,
  stagingFolder,
  variantRepository,
} from "@/data";
import type { AttributionStore } from "@/usecases/attribution";
import type { BookStore } from "@/usecases/books";
import type { FeedStore, Fetcher } from "@/usecases/feeds";
import type { EntryStore, PhotoCleaner } from "@/usecases/field-book";
import type { ImportPorts } from "@/usecases/imports";
import type { KeepingStore } from "@/usecases/keeping";
import type { BillStore } from "@/usecases/money";
import type { DecisionStore } from "@/usecases/quality";
import type { VariantStore } from "@/usecases/variants";
import { type ExaminationOf, type LedgerOf, ledgerCache } from "./ledger-cache";
import { type MoneyOf, moneyCache } from "./money-cache";

/** Everything that a request may ask for, put together once a process. */
export interface Services extends ImportPorts {
  readonly sequelize: Sequelize;
  readonly models: Models;
  readonly books: BookStore;
  readonly variants: VariantStore;
  readonly decisions: DecisionStore;
  readonly causes: AttributionStore;
  readonly entries: EntryStore;
  readonly cleanPhoto: PhotoCleaner;
  readonly keeping: KeepingStore;
  readonly bills: BillStore;
  readonly feeds: FeedStore;
  readonly fetcher: Fetcher;
  /** Hosts that feeds may be fetched from. */
  readonly feedHosts: readonly string[];
  readonly ledgerOf: LedgerOf;
  readonly moneyOf: MoneyOf;
  /** Examination of a book's production, kept like its ledger. */
  readonly examinationOf: ExaminationOf;
}

export function openServices(environment: Record<string, string | undefined>): Services {
  const { DATABASE_URL, DUSTY_LEDGER_FEED_HOSTS, DUSTY_LEDGER_VAR } = environmentSchema.parse(environment);
  const sequelize = connect(DATABASE_URL);
  const models = defineModels(sequelize);
  const readings = readingRepository(sequelize, models);
  const decisions = decisionRepository(sequelize, models);
  const entries = entryRepository(sequelize);
  const causes = attributionRepository(sequelize);
  const bills = billRepository(sequelize);
  const ledgers = ledgerCache(readings, decisions, entries);
  return {
    sequelize,
    models,
    books: bookRepository(sequelize, models),
    variants: variantRepository(models),
    readings,
    imports: importRepository(sequelize, models),
    staging: stagingFolder(path.resolve(DUSTY_LEDGER_VAR, "uploads")),
    mappings: mappingRepository(models),
    now: Date.now,
    decisions,
    causes,
    entries,
    cleanPhoto: photoCleaner,
    keeping: keepingRepository(sequelize),
    bills,
    feeds: feedRepository(sequelize, models),
    fetcher: httpFetcher(DUSTY_LEDGER_FEED_HOSTS),
    feedHosts: DUSTY_LEDGER_FEED_HOSTS,
    ...ledgers,
    moneyOf: moneyCache(bills, causes, ledgers.ledgerOf),
  };
}

// A build has two bundles (pages and routes) that each load this module; the process must still hold one pool and one set of models.
const holder = globalThis as typeof globalThis & { dustyLedgerServices?: Services };

/** The process's services, from its environment. */
export function services(): Services {
  holder.dustyLedgerServices ??= openServices(process.env);
  return holder.dustyLedgerServices;
}
