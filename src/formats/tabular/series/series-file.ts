import type { MappingProposal, TableMapping } from "@/contracts/mapping";
import type { Problem } from "@/contracts/problems";
import type { DetectionContext } from "../tables";
import type { Dialect } from "../text";
import type { SeriesColumn, SeriesKind } from "./columns";
import type { PagedSeries } from "./pages";

/** Energy of a span of any length [from, to). */
export interface EnergySpan {
  readonly meterId: string | null;
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
  readonly kwh: number;
}

/** A lifetime counter as it stood at an instant. */
export interface CounterReading {
  readonly meterId: string | null;
  readonly atUtcMs: number;
  readonly kwh: number;
}

export interface SparseReadings {
  readonly spans: readonly EnergySpan[];
  readonly counters: readonly CounterReading[];
}

export interface SeriesOptions {
  /** Zone of the clock that wrote times without offset; null when not chosen. */
  readonly zone: string | null;
  /** Whether a row's time marks the start or the end of its interval. */
  readonly labels: "start" | "end";
  readonly conflicts: "refuse" | "first" | "last";
  /** How the table is to be read; null to have it found out. */
  readonly mapping?: TableMapping | null;
  readonly context?: DetectionContext;
  /** Zone for days and months, which a person writes in local time. */
  readonly siteZone?: string;
  /** Called now and then with the rows read so far; throws to stop. */
  readonly onProgress?: (rows: number) => void;
}

/** What a series file holds, and what is wrong with it. With an error among the problems it must not be stored. */
export interface SeriesFile {
  readonly kind: SeriesKind | null;
  readonly dialect: Dialect | null;
  readonly columns: readonly SeriesColumn[];
  readonly ignored: readonly string[];
  readonly stepMinutes: number | null;
  readonly hasOffsets: boolean;
  readonly rowCount: number;
  readonly valueCount: number;
  readonly firstUtcMs: number | null;
  readonly lastUtcMs: number | null;
  readonly series: readonly PagedSeries[];
  /** Daily, monthly or hand-read figures, which are kept as spans and counter readings. */
  readonly sparse: SparseReadings | null;
  /** How the table was read, and why; null when it could not be read at all. */
  readonly proposal: MappingProposal | null;
  readonly problems: readonly Problem[];
}
