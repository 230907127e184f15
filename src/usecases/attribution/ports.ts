import type { AttributionReport } from "@/contracts/attribution";

/** How far the search for causes of a book is. */
export interface AttributionRun {
  readonly state: "waiting" | "running" | "done" | "cancelled" | "failed";
  readonly wantedVersion: number;
  readonly doneFrac: number;
  readonly report: AttributionReport | null;
  readonly reportVersion: number | null;
  readonly note: string;
}

/** Where reports of causes are kept, with the progress of those in the making. */
export interface AttributionStore {
  of(bookId: string): Promise<AttributionRun | null>;
  /** Asks for a version; true when it was not already asked for. */
  want(bookId: string, version: number): Promise<boolean>;
  /** Books that wait, oldest first. */
  waiting(): Promise<readonly string[]>;
  /** Takes a waiting run for this worker; null when another has it. */
  take(bookId: string): Promise<{ version: number } | null>;
  /** False when the run was cancelled meanwhile. */
  progress(bookId: string, doneFrac: number): Promise<boolean>;
  done(bookId: string, version: number, report: AttributionReport | null, note: string): Promise<void>;
  fail(bookId: string, note: string): Promise<void>;
  cancel(bookId: string): Promise<void>;
}
