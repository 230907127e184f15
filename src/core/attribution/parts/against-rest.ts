import { type YearOnYearTerms, yearOnYear } from "../../ageing";
import { LEAST_PAIRS } from "./thresholds";

/** How much faster a part ages than the rest, share a year, with its 95 % interval; positive is faster. */
export interface AgainstRest {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Reads one part against the mean of the others on the same days: weather, sensor and sky model are in both, and cancel. Null with too few days. */
export function againstRest(logs: readonly Float64Array[], own: number, terms: YearOnYearTerms): AgainstRest | null {
  const others = logs.filter((_, k) => k !== own);
  const apart = logs[own]!.map((log, d) => log - others.reduce((sum, other) => sum + other[d]!, 0) / others.length);
  const { slopeLog, low, high, pairs } = yearOnYear(apart, terms);
  return pairs.length < LEAST_PAIRS ? null : { value: -slopeLog, low: -high, high: -low };
}
