import { YEAR_MS } from "../../units";
import { later } from "../bills";
import { Exact, sumOf, ZERO } from "../exact";
import { daysInMonth } from "../tariff";
import { paceSpreadFrac, type SavedMonth } from "./pace-spread";

export interface RunRateTerms {
  /** Month and saving, in order, without a hole; estimated ones fill the holes: no bill says what they saved. */
  readonly saved: readonly SavedMonth[];
  /** Day from which years are counted; the first saved month by default. What was saved before it pays nothing back. */
  readonly startsOn?: string | null;
  readonly netCost: Exact;
  /** Sums that came or come after the start, each in its month; received where negative. */
  readonly laterSums?: readonly { readonly on: string; readonly amount: string }[];
  /** By what a saving rises in so many years over today's: used and exported energy weighed. */
  readonly rises: (yearsOn: number) => number;
  readonly ageingPerYearFrac: number;
  /** Season of a year, January first; its sum doesn't matter. Fills calendar months not yet billed. */
  readonly season: readonly number[];
  readonly horizonYears: number;
}

export interface RunRate {
  /** Of the billed months, whenever they were. */
  readonly savedToDate: Exact;
  /** A year from now on, by season; and what 95 of 100 such years of months would leave it between. */
  readonly perYear: Exact;
  readonly perYearLow: Exact;
  readonly perYearHigh: Exact;
  /** Twelve times the mean month: what counting months says. */
  readonly naivePerYear: Exact;
  /** Day on which the savings reach the net cost and stay there; null beyond the horizon. */
  readonly paidBackOn: string | null;
  /** The same at the upper and at the lower end of a year's saving. */
  readonly paidBackFrom: string | null;
  readonly paidBackBy: string | null;
  readonly years: number | null;
  /** Calendar months that stand on the season, not on a bill. */
  readonly filledMonths: number;
  /** Day from which it counts. */
  readonly countsFrom: string;
}

/**
 * Payback from the bills themselves: real savings through the last bill; after it, and in months without one, each month saves what its last billed
 * namesake did, times its rise and (1 - ageing)^k in the k-th year after. A month's saving falls evenly on its days. With under twelve calendar
 * months billed the rest follow the expected season.
 */
export function runRate(terms: RunRateTerms): RunRate | null {
  const { saved, startsOn, rises, ageingPerYearFrac, season } = terms;
  const billed = saved.filter(({ isEstimated }) => !isEstimated);
  const [first, last] = [saved[0], saved.at(-1)];
  if (!first || !last || billed.length === 0) return null;
  const latest = new Map(billed.map(({ key, saving }) => [monthOf(key), saving]));
  const billedSeason = sumOf([...latest.keys()].map((month) => new Exact(season[month - 1]!)));
  const billedYear = sumOf([...latest.values()]);
  const usual = (month: number): Exact =>
    latest.get(month) ?? (billedSeason.isZero() ? ZERO : billedYear.times(season[month - 1]!).div(billedSeason));
  const perYear = sumOf(Array.from({ length: 12 }, (_, m) => usual(m + 1)));
  const lasting = new Exact(1).minus(ageingPerYearFrac);
  const growth = (yearsOn: number): Exact => lasting.pow(yearsOn).times(rises(yearsOn));
  const spread = new Exact(paceSpreadFrac(billed, latest, season));
  const counted: readonly SavedMonth[] = saved.map((month) =>
    month.isEstimated ? { ...month, saving: usual(monthOf(month.key)) } : month,
  );
  const reachedAt = (pace: Exact): string | null =>
    crossing({
      ...terms,
      saved: counted,
      last: last.key,
      next: (k, month) =>
        usual(month)
          .times(growth(Math.ceil(k / 12)))
          .times(pace),
    });
  const paidBackOn = reachedAt(new Exact(1));
  const countsFrom = startsOn ?? `${first.key}-01`;
  const off = perYear.abs().times(spread);
  return {
    savedToDate: sumOf(billed.map(({ saving }) => saving)),
    perYear,
    perYearLow: perYear.minus(off),
    perYearHigh: perYear.plus(off),
    naivePerYear: sumOf(billed.map(({ saving }) => saving))
      .div(billed.length)
      .times(12),
    paidBackOn,
    paidBackFrom: reachedAt(new Exact(1).plus(spread)),
    paidBackBy: reachedAt(Exact.max(0, new Exact(1).minus(spread))),
    years: paidBackOn === null ? null : (Date.parse(paidBackOn) - Date.parse(countsFrom)) / YEAR_MS,
    filledMonths: 12 - latest.size,
    countsFrom,
  };
}

const monthOf = (key: string): number => Number(key.slice(5));

interface Crossing extends Pick<RunRateTerms, "saved" | "netCost" | "startsOn" | "laterSums" | "horizonYears"> {
  readonly last: string;
  /** Saving of the k-th month after the last bill. */
  readonly next: (k: number, month: number) => Exact;
}

/** The day within a month on which the sum reaches the cost, and stays above what comes later. */
function crossing({ saved, netCost, startsOn, laterSums = [], last, horizonYears, next }: Crossing): string | null {
  let balance = netCost.negated();
  let reached: string | null = null;
  const lastSum =
    laterSums
      .map(({ on }) => on.slice(0, 7))
      .sort()
      .at(-1) ?? "";
  const step = (key: string, whole: Exact): void => {
    const days = daysInMonth(`${key}-01`);
    const from = startsOn?.startsWith(key) ? Number(startsOn.slice(8)) : startsOn && key < startsOn ? days + 1 : 1;
    const saving = whole.times(days + 1 - from).div(days);
    const due = sumOf(laterSums.filter(({ on }) => on.startsWith(key)).map(({ amount }) => amount));
    const before = balance.minus(due);
    balance = before.plus(saving);
    if (before.lt(0)) reached = null;
    if (!balance.lt(0) && reached === null && from <= days) {
      const day = saving.gt(0)
        ? before
            .negated()
            .div(saving)
            .times(days + 1 - from)
            .ceil()
            .toNumber() +
          from -
          1
        : from;
      reached = `${key}-${String(Math.max(from, Math.min(days, day))).padStart(2, "0")}`;
    }
  };
  for (const { key, saving } of saved) step(key, saving);
  for (let k = 1; k <= horizonYears * 12; k++) {
    const key = later(last, k);
    if (reached !== null && key > lastSum) return reached;
    step(key, next(k, monthOf(key)));
  }
  return reached;
}
