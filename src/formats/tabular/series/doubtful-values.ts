import type { MappingQuestion } from "@/contracts/mapping";
import { DAY_MS } from "@/core/units";
import { say } from "@/wording/tables";
import type { PagedSeries } from "./pages";

/** A file that covers fewer days may hold a plant that stood still. */
const LEAST_DAYS = 14;
const LEAST_VALUES = 20;

/** What is asked before readings are stored that are all zero, or all one number: a column taken for another, more often than a plant. */
export function doubtfulValues(
  series: readonly PagedSeries[],
  spans: readonly { readonly fromUtcMs: number; readonly toUtcMs: number; readonly kwh: number }[],
): MappingQuestion | null {
  let [count, first, isOne, fromMs, toMs] = [0, Number.NaN, true, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  const see = (value: number, utcMs: number): void => {
    if (count++ === 0) first = value;
    else if (value !== first) isOne = false;
    [fromMs, toMs] = [Math.min(fromMs, utcMs), Math.max(toMs, utcMs)];
  };
  for (const { days } of series)
    for (const [day, values] of days) {
      for (const value of values) if (!Number.isNaN(value)) see(value, day * DAY_MS);
      if (!isOne) return null;
    }
  for (const { kwh, toUtcMs } of spans) see(kwh, toUtcMs);
  if (!isOne || count < LEAST_VALUES || toMs - fromMs < LEAST_DAYS * DAY_MS) return null;
  return {
    id: "one-value",
    question: first === 0 ? say.areAllReadingsZero(count) : say.areAllReadingsOneNumber(count, first),
    evidence: say.aPlantGivesMoreAtNoonThanAtNight,
    choices: [{ value: "yes", label: say.storeThemAllTheSame }],
  };
}
