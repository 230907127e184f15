import type { CounterAt, MeteredSpan } from "@/core/readings";
import type { SparseReadings } from "@/formats/tabular/series";

/** Spans and counter readings with the meter they belong to. */
export interface MeteredSparse {
  readonly spans: readonly MeteredSpan[];
  readonly counters: readonly CounterAt[];
}

export const meteredSparse = ({ spans, counters }: SparseReadings, meterOf: (named: string | null) => string): MeteredSparse => ({
  spans: spans.map((span) => ({ ...span, meterId: meterOf(span.meterId) })),
  counters: counters.map((counter) => ({ ...counter, meterId: meterOf(counter.meterId) })),
});
