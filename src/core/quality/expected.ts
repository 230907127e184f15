import type { TimeAxis } from "@/core/series";

/** Energy that a model owes on its own axis (hours, as a rule); NaN where it can't say. */
export interface ExpectedSeries {
  readonly axis: TimeAxis;
  readonly kwh: Float64Array;
}
