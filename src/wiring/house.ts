import { environmentSchema } from "@/contracts/environment";
import { listenForChanges } from "@/data";
import type { Book } from "@/usecases/books";
import type { FileReader } from "@/usecases/imports";
import { type Answer, type Asked, type Figures, type QuestionName, type Reckoner, standingFigures } from "@/usecases/reckoning";
import { byBook } from "./cache";
import { readerPool } from "./reader-pool";
import { reckonerPool } from "./reckoner-pool";
import { openStores, type Stores } from "./stores";

/** How long a page waits for its figures before it says that they are being reckoned; and how long a program does. */
const PAGE_PATIENCE_MS = 1500;
const PROGRAM_PATIENCE_MS = 25_000;
/** Figures of this many books are at hand; each is some tens of kilobytes. */
const MOST_FIGURES = 200;

/** What answers requests: stores, and a reckoner in other threads. Nothing here sums up intervals. */
export interface House extends Stores {
  readonly reckoner: Reckoner;
  readonly files: FileReader;
  /** A question of a page. */
  readonly ask: <Q extends QuestionName>(book: Book, question: Q, asked: Asked<Q>) => Promise<Answer<Q>>;
  /** A question of a program or of a part of a page, which waits longer. */
  readonly askAndWait: <Q extends QuestionName>(book: Book, question: Q, asked: Asked<Q>) => Promise<Answer<Q>>;
  /** A ledger without its intervals, as it is stored. */
  readonly figuresOf: (book: Book) => Promise<Figures>;
  readonly figuresInTime: (book: Book) => Promise<Figures>;
  /** Tells each change of a book as soon as it is stored; null where anything may have changed. */
  onChange(tell: (slug: string | null) => void): void;
}

export function openHouse(environment: Record<string, string | undefined>): House {
  const stores = openStores(environment);
  const { standings } = stores;
  const reckoner = reckonerPool({ standings });
  const files = readerPool();
  const stored = byBook((book) => standingFigures({ standings, reckoner }, book, PAGE_PATIENCE_MS), undefined, { most: MOST_FIGURES });
  let changes: ReturnType<typeof listenForChanges> | null = null;
  return {
    ...stores,
    reckoner,
    files,
    ask: (book, question, asked) => reckoner.ask(book, question, asked, PAGE_PATIENCE_MS),
    askAndWait: (book, question, asked) => reckoner.ask(book, question, asked, PROGRAM_PATIENCE_MS),
    figuresOf: stored,
    figuresInTime: (book) => standingFigures({ standings, reckoner }, book, PROGRAM_PATIENCE_MS),
    onChange(tell) {
      changes = listenForChanges(environmentSchema.parse(environment).DATABASE_URL, tell);
    },
    close: async () => {
      await changes?.stop();
      await Promise.all([reckoner.close(), files.close()]);
      await stores.close();
    },
  };
}

// A build has two bundles (pages and routes) that each load this module; the process must still hold one pool and one set of models.
const holder = globalThis as typeof globalThis & { dustyLedgerHouse?: House };

/** The process's house, from its environment. */
export function house(): House {
  holder.dustyLedgerHouse ??= openHouse(process.env);
  return holder.dustyLedgerHouse;
}
