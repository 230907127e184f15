import type { ChangeFromTotals, TotalsReport, TwoMornings } from "@/core/trial";
import { catalogue } from "./catalogue";
import { percent } from "./format";
import { monthOfYear } from "./geometry";

const words = catalogue({
  sidesNoInterval: (b: string, a: string, spans: string) =>
    ` is what ${b} gave against ${a} a kilowatt-peak, over ${spans}: too few to say how sure.`,
  sidesLevel: (b: string, a: string, range: string, spans: string) =>
    ` is what ${b} gave against ${a} a kilowatt-peak, but ${spans} leave ${range} open: no difference can be told.`,
  sidesApart: (b: string, a: string, range: string, spans: string) =>
    ` is what ${b} gave against ${a} a kilowatt-peak (${range}, by ${spans}).`,
  spans: (n: number) => (n === 1 ? "one span" : `${n} spans`),
  silent: (months: string) => ` The year is not complete: nothing is known of ${months}.`,
  changeUnknown: (range: string, months: number) =>
    ` is the change over ${months === 1 ? "one month" : `${months} months`}, but the weather of the years alone may be ${range}: nothing can be told of what was done.`,
  changeWeather: (range: string, months: number) =>
    ` is the change over ${months === 1 ? "one month" : `${months} months`} (${range}): more than the weather of the years usually does, and still not told apart from it.`,
  changeOther: (range: string, raw: string, months: number) =>
    ` is the change against the other plant over ${months === 1 ? "one month" : `${months} months`} (${range}); by itself it was ${raw}.`,
  changeOtherNone: (range: string, raw: string) =>
    ` is the change against the other plant, and ${range} is open: none can be told. By itself it was ${raw}.`,
  morningMore: (range: string) => ` is more than two cloudless mornings differ by (${range}): something changed.`,
  morningLess: (range: string) => ` is less than two cloudless mornings differ by (${range}): something changed.`,
  morningWithin: (range: string) =>
    ` lies within what two cloudless mornings differ by (${range}): it proves nothing yet. Read a week of mornings.`,
  morningCloud: " tells nothing: one of the mornings was not cloudless.",
});

/** A difference with its sign. */
export const signed = (frac: number): string => `${frac > 0 ? "+" : ""}${percent(frac)}`;
const rangeWords = (low: number, high: number): string => `${signed(low)} to ${signed(high)}`;

/** What two sides' totals tell, after their difference. */
export function totalsVerdict({ pairs, low, high, silentMonths }: TotalsReport, a: string, b: string): string {
  const spans = words.spans(pairs.length);
  const told =
    low === null || high === null
      ? words.sidesNoInterval(b, a, spans)
      : low <= 0 && high >= 0
        ? words.sidesLevel(b, a, rangeWords(low, high), spans)
        : words.sidesApart(b, a, rangeWords(low, high), spans);
  return told + (silentMonths.length > 0 ? words.silent(monthList(silentMonths)) : "");
}

/** Runs of months by their ends. */
function monthList(months: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const month of months) {
    const last = runs.at(-1);
    if (last && month === last[1] + 1) last[1] = month;
    else runs.push([month, month]);
  }
  return runs.map(([from, to]) => (from === to ? monthOfYear(from - 1) : `${monthOfYear(from - 1)} to ${monthOfYear(to - 1)}`)).join(", ");
}

/** What months before and after a change tell, after their difference. */
export function changeTotalsVerdict({ low, high, rawFrac, by, months }: ChangeFromTotals): string {
  const range = rangeWords(low, high);
  const isOpen = low <= 0 && high >= 0;
  if (by === "other")
    return isOpen ? words.changeOtherNone(range, signed(rawFrac)) : words.changeOther(range, signed(rawFrac), months.length);
  return isOpen ? words.changeUnknown(range, months.length) : words.changeWeather(range, months.length);
}

/** What two mornings tell, after their difference. */
export function morningsVerdict({ verdict, low, high }: TwoMornings): string {
  const range = rangeWords(low, high);
  if (verdict === "cloud") return words.morningCloud;
  return verdict === "more" ? words.morningMore(range) : verdict === "less" ? words.morningLess(range) : words.morningWithin(range);
}
