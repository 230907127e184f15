import type { AttributionFault, AttributionReport, AttributionState, AttributionView, FoundMonth } from "@/contracts/attribution";

/** How far the search for causes of a book is. Nothing of what it found is read for this. */
export interface AttributionStatus {
  readonly state: AttributionState;
  readonly wantedVersion: number;
  readonly doneFrac: number;
  readonly fault: AttributionFault | null;
  /** Version of the book that the last result is of; null where there is none of this edition. */
  readonly resultVersion: number | null;
  readonly hasView: boolean;
  /** When that result was made; empty without one. */
  readonly madeAt: string;
}

/** Where results of searches are stored, with the progress of those in the making. A search is wanted by every change of a book, in its transaction. */
export interface AttributionStore {
  statusOf(bookId: string): Promise<AttributionStatus | null>;
  /** The last result for pages, whatever version of the book it is of. */
  viewOf(bookId: string): Promise<AttributionView | null>;
  /** What the last results of several books found beside their plans, by book; books without one are left out. */
  foundOf(bookIds: readonly string[]): Promise<ReadonlyMap<string, { readonly version: number; readonly found: readonly FoundMonth[] }>>;
  /** The whole last result, for days to come to be added to. */
  reportOf(bookId: string): Promise<AttributionReport | null>;
  /** Asks for a search of a version. */
  want(bookId: string, version: number): Promise<void>;
  /** Books whose result is not of their version or of this edition, and for which no search stands. */
  behind(): Promise<readonly { readonly bookId: string; readonly version: number }[]>;
  /** Ends searches whose workers died again and again: they would show as running for ever. */
  giveUpLost(): Promise<void>;
  /** Takes a search up; null where none is wanted. */
  take(bookId: string): Promise<{ readonly version: number } | null>;
  /** False when the search was cancelled meanwhile. */
  progress(bookId: string, doneFrac: number): Promise<boolean>;
  done(bookId: string, version: number, report: AttributionReport | null): Promise<void>;
  fail(bookId: string, fault: AttributionFault): Promise<void>;
  cancel(bookId: string): Promise<void>;
}
