import type { TimeAxis } from "@/core/series";

/** Energy that a model owes on its own axis (hours, as a rule); NaN where it can't say. */
export interface ExpectedSeries {
  readonly axis: TimeAxis;
  readonly kwh: Float64Array;
  /** Rain of each interval of that axis, mm; null where no rain was read. */
  readonly rainMm?: Float64Array | null;
}
