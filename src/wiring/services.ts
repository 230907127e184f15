import path from "node:path";
import type { Sequelize } from "sequelize";
import { environmentSchema } from "@/contracts/environment";
import {
  attributionRepository,
  billRepository,
  bookChanger,
  bookRepository,
  connect,
  decisionRepository,
  defineModels,
  entryRepository,
  feedRepository,
  httpFetcher,
  importRepository,
  type JobQueue,
  jobQueue,
  keepingRepository,
  mappingRepository,
  photoCleaner,
  readingRepository,
  stagingFolder,
  type VitalSigns,
  variantRepository,
  vitalSigns,
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
import { log } from "./log";
import { type MoneyOf, moneyCache } from "./money-cache";
import { type ViewOf, viewCache } from "./view-cache";

/** Everything that a request or a job may ask for, put together once a process. */
export interface Services extends ImportPorts {
  readonly sequelize: Sequelize;
  readonly vitalSigns: VitalSigns;
  /** Where files are kept between requests. */
  readonly folder: string;
  readonly queue: JobQueue;
  readonly books: BookStore;
  readonly variants: VariantStore;
  readonly decisions: DecisionStore;
  readonly attributions: AttributionStore;
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
  /** What was last read of a book's causes, cached like its ledger. */
  readonly viewOf: ViewOf;
  /** Examination of a book's production, cached like its ledger. */
  readonly examinationOf: ExaminationOf;
  close(): Promise<void>;
}

/** Opens everything from an environment. `takesJobs`: this process is a worker. */
export function openServices(environment: Record<string, string | undefined>, { takesJobs = false, mayMigrate = false } = {}): Services {
  const { DATABASE_URL, DUSTY_LEDGER_FEED_HOSTS, DUSTY_LEDGER_VAR } = environmentSchema.parse(environment);
  const sequelize = connect(DATABASE_URL);
  const models = defineModels(sequelize);
  const queue = jobQueue(sequelize, { takes: takesJobs, mayMigrate, onError: (error) => log.error({ err: error }, "queue") });
  const changeBook = bookChanger(sequelize, models, queue);
  const readings = readingRepository(sequelize, models);
  const decisions = decisionRepository(models, changeBook);
  const entries = entryRepository(models, changeBook);
  const attributions = attributionRepository(sequelize, models, queue);
  const bills = billRepository(sequelize, models);
  const ledgers = ledgerCache(readings, decisions, entries);
  const viewOf = viewCache(attributions);
  return {
    sequelize,
    vitalSigns: vitalSigns(sequelize),
    folder: path.resolve(DUSTY_LEDGER_VAR),
    queue,
    books: bookRepository(models, changeBook),
    variants: variantRepository(models),
    readings,
    imports: importRepository(models, changeBook),
    staging: stagingFolder(path.resolve(DUSTY_LEDGER_VAR, "uploads")),
    mappings: mappingRepository(models),
    now: Date.now,
    decisions,
    attributions,
    entries,
    cleanPhoto: photoCleaner,
    keeping: keepingRepository(sequelize, models),
    bills,
    feeds: feedRepository(sequelize, models, changeBook),
    fetcher: httpFetcher(DUSTY_LEDGER_FEED_HOSTS),
    feedHosts: DUSTY_LEDGER_FEED_HOSTS,
    ...ledgers,
    viewOf,
    moneyOf: moneyCache(bills, attributions, viewOf, ledgers.ledgerOf),
    close: async () => {
      await queue.stop();
      await sequelize.close();
    },
  };
}

// A build has two bundles (pages and routes) that each load this module; the process must still hold one pool and one set of models.
const holder = globalThis as typeof globalThis & { dustyLedgerServices?: Services };

/** The process's services, from its environment. */
export function services(): Services {
  holder.dustyLedgerServices ??= openServices(process.env);
  return holder.dustyLedgerServices;
}
