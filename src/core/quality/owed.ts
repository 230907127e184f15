import type { TimeAxis } from "../series";

/** Energy that a model owes on its own axis (hours, as a rule); NaN where it can't say. */
export interface OwedSeries {
  readonly axis: TimeAxis;
  readonly kwh: Float64Array;
}
