import type { Glance } from "@/contracts/ledger";
import type { SiteDocument } from "@/contracts/site";
import type { Variant } from "@/contracts/what-if";
import type { LedgerLine } from "@/core/ledger";
import type { TypicalYear, Uncertainty } from "@/core/yield";
import { monthName } from "@/wording/format";
import type { LedgerContext } from "@/wording/workings/ledger-workings";

export type YieldView = "goes" | "what-if" | "methods";

export interface YieldPageProps {
  readonly slug: string;
  readonly site: SiteDocument;
  readonly version: number;
  readonly context: LedgerContext;
  readonly years: readonly string[];
  /** The year that is worked with: of all years the last. */
  readonly year: string;
  /** Whether all years are shown. */
  readonly isAll: boolean;
  /** A year that was asked for and is not in the book. */
  readonly unknownYear: string | null;
  readonly view: YieldView;
  readonly months: readonly LedgerLine[];
  /** First and last month shown. */
  readonly span: { readonly from: string; readonly to: string };
  /** Budgets of the span shown and of one of its months. */
  readonly doubt: { readonly span: Uncertainty; readonly month: Uncertainty };
  readonly typical: TypicalYear | null;
  readonly glance: Glance | null;
  readonly variants: readonly Variant[];
}

/** A span of months in words. */
export const spanName = ({ from, to }: YieldPageProps["span"]): string => {
  const year = from.slice(0, 4);
  if (from === to) return `${monthName(from)} ${year}`;
  if (from.endsWith("-01") && to === `${year}-12`) return year;
  return `${monthName(from, "short")} ${year} to ${monthName(to, "short")} ${to.slice(0, 4)}`;
};
