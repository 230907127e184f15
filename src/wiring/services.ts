import type { Book } from "@/usecases/books";
import { type ExaminationOf, type LedgerOf, ledgerCache } from "./ledger-cache";
import { type MoneyOf, moneyCache } from "./money-cache";
import { type OpenOptions, openStores, type Stores } from "./stores";

/** Stores with the heavy sums over them, done in this very process: for workers, threads and programs, never for what answers requests. */
export interface Services extends Stores {
  readonly ledgerOf: LedgerOf;
  readonly moneyOf: MoneyOf;
  /** Examination of a book's production, cached like its ledger. */
  readonly examinationOf: ExaminationOf;
  /** Lets the ledger of a long record go. */
  readonly letGo: (book: Book) => void;
}

/** Opens everything from an environment. */
export function openServices(environment: Record<string, string | undefined>, options: OpenOptions = {}): Services {
  const stores = openStores(environment, options);
  const { readings, decisions, entries, bills, attributions, viewOf } = stores;
  const ledgers = ledgerCache(readings, decisions, entries, bills);
  return { ...stores, ...ledgers, moneyOf: moneyCache(bills, attributions, viewOf, ledgers.ledgerOf) };
}
