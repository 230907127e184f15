import type { TimeAxis } from "@/core/series";

/** A stored column on its own time axis, day pages joined; NaN where nothing is stored. */
export interface StoredSeries {
  readonly quantity: string;
  /** Empty for weather. */
  readonly meterId: string;
  readonly axis: TimeAxis;
  readonly values: Float64Array;
}

/** What the ledger needs from where readings are kept. */
export interface ReadingStore {
  seriesOf(bookId: string, kind: "weather" | "production"): Promise<readonly StoredSeries[]>;
  /** The newest imported promise, January first; null when none was imported. */
  promiseOf(bookId: string): Promise<readonly number[] | null>;
}
