import path from "node:path";
import type { Sequelize } from "sequelize";
import { environmentSchema } from "@/contracts/environment";
import type { HolidayAnswer, HolidayQuestion } from "@/contracts/holidays";
import {
  acceptanceRepository,
  attributionRepository,
  billRepository,
  bookChanger,
  bookRepository,
  connect,
  decisionRepository,
  defineModels,
  entryRepository,
  evidenceKey,
  feedRepository,
  holidayCountries,
  holidaysOf,
  httpFetcher,
  importRepository,
  type JobQueue,
  jobQueue,
  keepingRepository,
  mappingRepository,
  photoCleaner,
  readingRepository,
  stagingFolder,
  standingRepository,
  type Towns,
  townFile,
  type VitalSigns,
  variantRepository,
  vitalSigns,
} from "@/data";
import type { AcceptanceStore, Signer } from "@/usecases/acceptance";
import type { AttributionStore } from "@/usecases/attribution";
import type { BookStore } from "@/usecases/books";
import type { FeedStore, Fetcher } from "@/usecases/feeds";
import type { EntryStore, PhotoCleaner } from "@/usecases/field-book";
import type { ImportPorts } from "@/usecases/imports";
import type { KeepingStore } from "@/usecases/keeping";
import type { BillStore } from "@/usecases/money";
import type { DecisionStore } from "@/usecases/quality";
import type { StandingStore } from "@/usecases/reckoning";
import type { VariantStore } from "@/usecases/variants";
import { log } from "./log";
import { type ViewOf, viewCache } from "./view-cache";

/** Everything that is stored or comes from outside, put together once a process. */
export interface Stores extends ImportPorts {
  readonly sequelize: Sequelize;
  readonly vitalSigns: VitalSigns;
  /** Where files are kept between requests. */
  readonly folder: string;
  readonly queue: JobQueue;
  readonly books: BookStore;
  readonly standings: StandingStore;
  readonly variants: VariantStore;
  readonly tests: AcceptanceStore;
  readonly signer: Signer;
  readonly decisions: DecisionStore;
  readonly attributions: AttributionStore;
  readonly entries: EntryStore;
  readonly cleanPhoto: PhotoCleaner;
  readonly keeping: KeepingStore;
  readonly bills: BillStore;
  readonly feeds: FeedStore;
  readonly fetcher: Fetcher;
  /** Towns of the world by their names. */
  readonly towns: Towns;
  /** Public holidays by country. */
  readonly holidays: { readonly countries: () => Promise<string[]>; readonly of: (question: HolidayQuestion) => Promise<HolidayAnswer> };
  /** Hosts that feeds may be fetched from. */
  readonly feedHosts: readonly string[];
  /** What was last read of a book's causes, cached like its ledger. */
  readonly viewOf: ViewOf;
  close(): Promise<void>;
}

export interface OpenOptions {
  /** This process is a worker. */
  readonly takesJobs?: boolean;
  /** This process may change tables. */
  readonly mayMigrate?: boolean;
  /** Connections to the database at most. */
  readonly connections?: number;
}

/** Opens all stores from an environment. */
export function openStores(
  environment: Record<string, string | undefined>,
  { takesJobs = false, mayMigrate = false, connections = 8 }: OpenOptions = {},
): Stores {
  const { DATABASE_URL, DUSTY_LEDGER_FEED_HOSTS, DUSTY_LEDGER_VAR } = environmentSchema.parse(environment);
  const sequelize = connect(DATABASE_URL, { most: connections });
  const models = defineModels(sequelize);
  const queue = jobQueue(sequelize, { takes: takesJobs, mayMigrate, onError: (error) => log.error({ err: error }, "queue") });
  const changeBook = bookChanger(sequelize, models, queue);
  const attributions = attributionRepository(sequelize, models, queue);
  const readings = readingRepository(sequelize, models);
  const bills = billRepository(changeBook, models);
  return {
    sequelize,
    vitalSigns: vitalSigns(sequelize),
    folder: path.resolve(DUSTY_LEDGER_VAR),
    queue,
    books: bookRepository(models, changeBook),
    standings: standingRepository(sequelize, models),
    variants: variantRepository(sequelize, models),
    tests: acceptanceRepository(sequelize, models),
    signer: evidenceKey(path.resolve(DUSTY_LEDGER_VAR, "keys")),
    readings,
    imports: importRepository(models, changeBook),
    staging: stagingFolder(path.resolve(DUSTY_LEDGER_VAR, "uploads")),
    mappings: mappingRepository(models),
    now: Date.now,
    decisions: decisionRepository(models, changeBook),
    attributions,
    entries: entryRepository(models, changeBook),
    cleanPhoto: photoCleaner,
    keeping: keepingRepository(sequelize, models),
    bills,
    feeds: feedRepository(sequelize, models, changeBook),
    towns: townFile(path.resolve("dist", "towns.txt")),
    holidays: { countries: holidayCountries, of: holidaysOf },
    fetcher: httpFetcher(DUSTY_LEDGER_FEED_HOSTS),
    feedHosts: DUSTY_LEDGER_FEED_HOSTS,
    viewOf: viewCache(attributions, readings, bills),
    close: async () => {
      await queue.stop();
      await sequelize.close();
    },
  };
}
