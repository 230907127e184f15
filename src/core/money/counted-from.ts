import type { DatedSum, Site } from "../site";
import { YEAR_MS } from "../units";
import type { LaterSum } from "./payback";

/** Years after which a sum no longer belongs to what was built at the start: invoices and grants follow the work within its first year. */
const OF_THE_START_YEARS = 1;

/** From when a payback counts, and which of the dated sums fall later. */
export interface CountedFrom {
  /** Null where neither the plant's first day nor the day of a cost is known. */
  readonly on: string | null;
  readonly because: "commissioned" | "first-cost" | null;
  /** Age of the plant on that day. */
  readonly ageYears: number;
  /** Sums of the start: costs and incentives, as decimal numerals. */
  readonly costs: readonly string[];
  readonly incentives: readonly string[];
  /** Costs that come later, each in its own year, and incentives that do, which are negative. */
  readonly later: readonly DatedLaterSum[];
}

export interface DatedLaterSum extends LaterSum {
  readonly on: string;
}

type Dated = Pick<Site, "commissioned"> & { readonly money: Pick<Site["money"], "costs" | "incentives"> };

/**
 * A payback counts from the plant's first day where its first cost belongs to that; else from the day of the first cost, since nothing that was
 * earned before pays it back. What is spent more than a year after that start falls in its own year.
 */
export function countedFrom({ commissioned, money: { costs, incentives } }: Dated): CountedFrom {
  const firstCost = costs.map(({ on }) => on).sort()[0] ?? null;
  const isOfThePlant = commissioned !== null && (firstCost === null || yearsBetween(commissioned, firstCost) < OF_THE_START_YEARS);
  const on = isOfThePlant ? commissioned : firstCost;
  const isLater = (sum: DatedSum): boolean => on !== null && yearsBetween(on, sum.on) >= OF_THE_START_YEARS;
  const laterOf = (sums: readonly DatedSum[], sign: "" | "-"): DatedLaterSum[] =>
    sums.filter(isLater).map((sum) => ({
      what: sum.what,
      on: sum.on,
      afterYears: yearsBetween(on!, sum.on),
      amount: negatedBy(sum.amount, sign),
      isDated: true,
    }));
  const ofTheStart = (sums: readonly DatedSum[]): string[] => sums.filter((sum) => !isLater(sum)).map(({ amount }) => amount);
  return {
    on,
    because: on === null ? null : isOfThePlant ? "commissioned" : "first-cost",
    ageYears: on === null || commissioned === null ? 0 : Math.max(0, yearsBetween(commissioned, on)),
    costs: ofTheStart(costs),
    incentives: ofTheStart(incentives),
    later: [...laterOf(costs, ""), ...laterOf(incentives, "-")],
  };
}

const yearsBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / YEAR_MS;

const negatedBy = (amount: string, sign: "" | "-"): string =>
  sign === "" ? amount : amount.startsWith("-") ? amount.slice(1) : `-${amount}`;
