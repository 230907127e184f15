import { YEAR_MS } from "../../units";
import { later } from "../bills";
import { Exact, sumOf, ZERO } from "../exact";
import { daysInMonth } from "../tariff";

export interface RunRateTerms {
  /** Month and saving, in order, without a hole; estimated ones fill the holes and count in no sum of what was saved. */
  readonly saved: readonly { readonly key: string; readonly saving: Exact; readonly isEstimated?: boolean }[];
  /** Day from which years are counted; the first saved month by default. */
  readonly startsOn?: string | null;
  readonly netCost: Exact;
  /** By what a saving rises in so many years over today's: used and exported energy weighed. */
  readonly rises: (yearsOn: number) => number;
  readonly ageingPerYearFrac: number;
  /** Season of a year, January first; its sum doesn't matter. Fills calendar months not yet billed. */
  readonly season: readonly number[];
  readonly horizonYears: number;
}

export interface RunRate {
  readonly savedToDate: Exact;
  /** A year from now on, by season. */
  readonly perYear: Exact;
  /** Twelve times the mean month: what counting months says. */
  readonly naivePerYear: Exact;
  /** Day on which the savings reach the net cost; null beyond the horizon. */
  readonly paidBackOn: string | null;
  readonly years: number | null;
  /** Calendar months that stand on the season, not on a bill. */
  readonly filledMonths: number;
}

/**
 * Payback from the bills themselves: real savings through the last bill; after it each month saves what its last namesake did, times
 * its rise and (1 - ageing)^k in the k-th year after. A month's saving falls evenly on its days. With under twelve months billed the
 * rest follow the expected season.
 */
export function runRate({ saved, startsOn, netCost, rises, ageingPerYearFrac, season, horizonYears }: RunRateTerms): RunRate | null {
  const [first, last] = [saved[0], saved.at(-1)];
  if (!first || !last) return null;
  const recent = new Map(saved.slice(-12).map(({ key, saving }) => [Number(key.slice(5)), saving]));
  const billedSeason = sumOf([...recent.keys()].map((month) => new Exact(season[month - 1]!)));
  const billed = sumOf([...recent.values()]);
  const usual = (month: number): Exact =>
    recent.get(month) ?? (billedSeason.isZero() ? ZERO : billed.times(season[month - 1]!).div(billedSeason));
  const perYear = sumOf(Array.from({ length: 12 }, (_, m) => usual(m + 1)));
  const lasting = new Exact(1).minus(ageingPerYearFrac);
  const growth = (yearsOn: number): Exact => lasting.pow(yearsOn).times(rises(yearsOn));
  const reached = crossing({
    saved,
    netCost,
    last: last.key,
    horizonMonths: horizonYears * 12,
    next: (k, month) => usual(month).times(growth(Math.ceil(k / 12))),
  });
  const billedSavings = saved.flatMap(({ saving, isEstimated }) => (isEstimated ? [] : [saving]));
  const startMs = Date.parse(startsOn ?? `${first.key}-01`);
  return {
    savedToDate: sumOf(billedSavings),
    perYear,
    naivePerYear: sumOf(billedSavings).div(Math.max(1, billedSavings.length)).times(12),
    paidBackOn: reached,
    years: reached === null ? null : (Date.parse(reached) - startMs) / YEAR_MS,
    filledMonths: 12 - recent.size,
  };
}

interface Crossing extends Pick<RunRateTerms, "saved" | "netCost"> {
  readonly last: string;
  readonly horizonMonths: number;
  /** Saving of the k-th month after the last bill. */
  readonly next: (k: number, month: number) => Exact;
}

/** The day within a month on which the sum reaches the cost. */
function crossing({ saved, netCost, last, horizonMonths, next }: Crossing): string | null {
  let sum = ZERO;
  const step = (key: string, saving: Exact): string | null => {
    const before = sum;
    sum = sum.plus(saving);
    if (sum.lt(netCost)) return null;
    const days = daysInMonth(`${key}-01`);
    const day = saving.gt(0) ? netCost.minus(before).div(saving).times(days).ceil().toNumber() : 1;
    return `${key}-${String(Math.max(1, Math.min(days, day))).padStart(2, "0")}`;
  };
  for (const { key, saving } of saved) {
    const on = step(key, saving);
    if (on) return on;
  }
  for (let k = 1; k <= horizonMonths; k++) {
    const key = later(last, k);
    const on = step(key, next(k, Number(key.slice(5))));
    if (on) return on;
  }
  return null;
}
