import type { SourceFile } from "@/contracts/evidence";
import type { Batch, BatchOrigin, ImportKind, ImportOptions } from "@/contracts/imports";
import type { RememberedReading } from "@/contracts/mapping";
import type { Problem } from "@/contracts/problems";
import type { Bytes } from "@/formats/tabular/text";
import type { MeteredPages } from "./join-pages";
import type { MeteredSparse } from "./metered-sparse";

/** A file that was uploaded and waits for a decision. */
export interface StagedFile {
  readonly id: string;
  readonly bookId: string;
  readonly fileName: string;
  readonly byteCount: number;
  readonly sha256: string;
}

export interface Staging {
  /** Keeps a stream as a file; refuses when it ends before or after the announced length, or exceeds the limit. */
  put(input: { bookId: string; fileName: string; announcedBytes: number | null; body: Bytes }): Promise<StagedFile>;
  find(id: string): Promise<StagedFile | null>;
  open(id: string): Bytes;
  drop(id: string): Promise<void>;
  /** Drops what has waited longer; the bytes of what still waits. */
  sweep(olderThanMs: number): Promise<number>;
}

export interface NewBatch {
  readonly bookId: string;
  readonly origin: BatchOrigin;
  readonly kind: ImportKind;
  readonly fileName: string;
  readonly sha256: string;
  readonly byteCount: number;
  readonly rowCount: number;
  readonly valueCount: number;
  readonly firstUtcMs: number | null;
  readonly lastUtcMs: number | null;
  readonly stepMinutes: number | null;
  readonly options: ImportOptions;
  readonly notices: readonly Problem[];
}

/** Readings of foreign tables that a person confirmed, by the fingerprint of their header. */
export interface MappingStore {
  find(fingerprint: string): Promise<{ reading: RememberedReading; confirmedAt: Date } | null>;
  keep(fingerprint: string, reading: RememberedReading): Promise<void>;
}

export interface ImportStore {
  batchesOf(bookId: string): Promise<readonly Batch[]>;
  /** Files that stand, in the order in which they came, with how each was read. */
  sourcesOf(bookId: string): Promise<readonly SourceFile[]>;
  /** The batch of the same bytes that stands; of hours that were put into a year, in that year. */
  standingBatch(bookId: string, kind: ImportKind, sha256: string, year?: number | null): Promise<Batch | null>;
  /** Stores a batch and all its pages in one transaction. */
  storeSeries(batch: NewBatch, series: readonly MeteredPages[], signal: AbortSignal): Promise<Batch>;
  /** Stores a batch of spans and counter readings in one transaction. */
  storeSparse(batch: NewBatch, sparse: MeteredSparse): Promise<Batch>;
  storePromise(batch: NewBatch, monthlyKwh: readonly number[]): Promise<Batch>;
  /** Marks a batch undone (or standing again); null when the book has no such batch. */
  setUndone(bookId: string, batchId: number, undone: boolean): Promise<Batch | null>;
}
