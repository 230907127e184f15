import type { CounterAt, MeteredSpan } from "@/core/readings";
import type { TimeAxis } from "@/core/series";

/** A stored column on its own time axis, day pages joined; NaN where nothing is stored. */
export interface StoredSeries {
  readonly quantity: string;
  /** Empty for weather. */
  readonly meterId: string;
  readonly axis: TimeAxis;
  readonly values: Float64Array;
  /** Of a clean series: stretches whose values are even shares of one figure. */
  readonly evenly?: readonly { readonly fromUtcMs: number; readonly toUtcMs: number }[];
}

/** Figures over spans and counter readings, as they stand. */
export interface StoredSparse {
  readonly spans: readonly MeteredSpan[];
  readonly counters: readonly CounterAt[];
}

/** What stored columns are of: the weather, the plant's meters, or single modules. */
export type SeriesKind = "weather" | "production" | "modules";

/** What the ledger needs from where readings are kept. */
export interface ReadingStore {
  seriesOf(bookId: string, kind: SeriesKind): Promise<readonly StoredSeries[]>;
  /** The same, one after the other: a long record is not in memory all at once. */
  eachSeriesOf(bookId: string, kind: SeriesKind): AsyncIterable<StoredSeries>;
  /** Quantities and meters of which any reading stands, without the readings; single modules are not among them. */
  heldOf(bookId: string): Promise<readonly Pick<StoredSeries, "quantity" | "meterId">[]>;
  /** Spans and counter readings of production meters; of two of one meter and start the later batch stands. */
  sparseOf(bookId: string): Promise<StoredSparse>;
  /** Stretches whose light is a usual year's, made and not measured. */
  usualSpansOf(bookId: string): Promise<readonly { readonly fromUtcMs: number; readonly toUtcMs: number }[]>;
  /** The newest imported promise, January first; null when none was imported. */
  promiseOf(bookId: string): Promise<readonly number[] | null>;
}
