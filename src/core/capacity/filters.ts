import { quantileOf } from "../statistics";
import type { TestIntervals } from "./intervals";
import { type CapacityTerms, CEILING_FRAC, REPORTING_SHARE, type ReportingConditions, STILL_FRAC } from "./terms";

/** Why an interval is left out, in the order in which it is asked. */
export const CAPACITY_FILTERS = ["missing", "held", "dark", "unsteady", "ceiling", "still", "band"] as const;
export type CapacityFilter = (typeof CAPACITY_FILTERS)[number];

/** One line of the table of filters. */
export interface FilterLine {
  readonly filter: CapacityFilter;
  /** Intervals that it takes out of those that the ones before have left. */
  readonly takenOut: number;
  /** Intervals that it would take out of all, alone. */
  readonly alone: number;
  readonly left: number;
  /** Whether the readings can tell: light within an interval of one step can't. */
  readonly isTold: boolean;
}

export interface Filtered {
  readonly lines: readonly FilterLine[];
  readonly kept: readonly number[];
  /** Null where no interval is left to tell them from. */
  readonly conditions: ReportingConditions | null;
}

/** Leaves out what tells nothing of capacity, with the account of what each filter takes. Nights are no intervals: dark is asked of lit ones alone. */
export function filterIntervals(intervals: TestIntervals, terms: CapacityTerms, ratedKw: number | null): Filtered {
  const { poaWm2, airTempC, windSpeedMs, meteredKw, expectedKw, held, swingFrac, highestKw } = intervals;
  const isIn: Readonly<Record<Exclude<CapacityFilter, "band">, (i: number) => boolean>> = {
    missing: (i) => Number.isNaN(meteredKw[i]! + poaWm2[i]! + airTempC[i]! + expectedKw[i]! + (windSpeedMs?.[i] ?? 0)),
    held: (i) => held[i] === 1,
    dark: (i) => poaWm2[i]! < terms.leastWm2,
    unsteady: (i) => swingFrac[i]! > terms.swingFrac,
    ceiling: (i) => ratedKw !== null && highestKw[i]! >= CEILING_FRAC * ratedKw,
    still: (i) => meteredKw[i]! < STILL_FRAC * expectedKw[i]!,
  };
  const all: number[] = [];
  for (const [i, wm2] of poaWm2.entries()) // Where the light is not known, the model says by the hour whether there was any.
    if (wm2 > 0 || (Number.isNaN(wm2) && !(expectedKw[i]! <= 0))) all.push(i);
  let left = all;
  const lines: FilterLine[] = [];
  const take = (filter: CapacityFilter, isOut: (i: number) => boolean, isTold: boolean): void => {
    const after = left.filter((i) => !isOut(i));
    lines.push({ filter, takenOut: left.length - after.length, alone: all.filter(isOut).length, left: after.length, isTold });
    left = after;
  };
  const untold: Partial<Record<CapacityFilter, boolean>> = {
    unsteady: all.every((i) => Number.isNaN(swingFrac[i])),
    ceiling: ratedKw === null,
  };
  for (const filter of CAPACITY_FILTERS) if (filter !== "band") take(filter, isIn[filter], untold[filter] !== true);
  const conditions = terms.conditions ?? conditionsOf(intervals, left, terms.bandFrac);
  take("band", (i) => conditions !== null && Math.abs(poaWm2[i]! - conditions.poaWm2) > terms.bandFrac * conditions.poaWm2, true);
  return { lines, kept: left, conditions };
}

/** Reporting conditions that the kept intervals give by themselves: light that six of ten lie under, air and wind their means within the band about it. */
function conditionsOf(
  { poaWm2, airTempC, windSpeedMs }: TestIntervals,
  left: readonly number[],
  bandFrac: number,
): ReportingConditions | null {
  if (left.length === 0) return null;
  const light = quantileOf(
    left.map((i) => poaWm2[i]!),
    REPORTING_SHARE,
  );
  const near = left.filter((i) => Math.abs(poaWm2[i]! - light) <= bandFrac * light);
  const mean = (column: Float64Array): number => near.reduce((sum, i) => sum + column[i]!, 0) / near.length;
  return { poaWm2: light, airTempC: mean(airTempC), windSpeedMs: windSpeedMs ? mean(windSpeedMs) : 0 };
}
