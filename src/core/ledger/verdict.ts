import { AVOIDABLE_ACCOUNTS, FOUND_ACCOUNTS, type FoundAccount } from "../accounts";
import { type AgainstPromise, againstPromise } from "./against-promise";
import { expectedReadKwh, type LedgerLine, performanceIndex } from "./ledger";
import { isUsualYear, lineState, TOLD_FRAC } from "./line-state";

/** The sentences above a ledger page, as facts; the interface words them. */
export type Verdict =
  /** Nothing is expected without weather; what was metered stands beside the promise, where there is one. */
  | { readonly kind: "no-weather"; readonly meteredKwh: number | null; readonly against: AgainstPromise | null }
  | { readonly kind: "no-readings"; readonly expectedKwh: number }
  /** The light of the page is a usual year's: what such a year gives, and what the meter counted, which says nothing of this one. */
  | { readonly kind: "usual-year"; readonly usualKwh: number; readonly meteredKwh: number | null }
  | {
      readonly kind: "within" | "to-check" | "gap";
      /** Expected energy of the time that was read, and what the meter counted of it. */
      readonly expectedReadKwh: number;
      readonly meteredReadKwh: number;
      readonly index: number;
      readonly dataGapKwh: number;
      readonly unexplainedKwh: number;
      readonly isSought: boolean;
      /** The largest loss that somebody can do something about, else the largest of all; null where nothing was found. */
      readonly largest: FoundLoss | null;
      /** Months or years that ask for a check by themselves, the one with most unexplained first. */
      readonly toCheckKeys: readonly string[];
    };

export interface FoundLoss {
  readonly account: FoundAccount;
  readonly kwh: number;
  readonly isAvoidable: boolean;
}

/** Shares of the expected energy within which a difference says nothing: of the page, and of one of its lines. */
export interface Tolerances {
  readonly page: number;
  readonly line: number;
}

/**
 * What a page of ledger lines says. `lines` are the page's months, `sum` their total. What one month surely lacks, a year must not swallow: months that ask by
 * themselves are named though the total be within its tolerance.
 */
export function verdictOf(sum: LedgerLine, lines: readonly LedgerLine[], { page, line }: Tolerances): Verdict {
  if (!(sum.referenceKwh > 0)) return { kind: "no-weather", meteredKwh: sum.meteredKwh, against: againstPromise(lines) };
  const index = performanceIndex(sum);
  if (index === null && isUsualYear(sum)) return { kind: "usual-year", usualKwh: sum.usualKwh, meteredKwh: sum.meteredKwh };
  if (index === null || sum.meteredKwh === null || sum.unexplainedKwh === null)
    return { kind: "no-readings", expectedKwh: sum.expectedKwh };
  const { kind } = lineState(sum, page);
  const asking = lines
    .filter((each) => lineState(each, line).kind === "to-check")
    .sort((a, b) => Math.abs(b.unexplainedKwh ?? 0) - Math.abs(a.unexplainedKwh ?? 0));
  return {
    // Of a page that is mostly a usual year the part that was measured is a part with a gap.
    kind: kind === "explained" ? "within" : kind === "usual" || kind === "no-weather" ? "gap" : kind,
    expectedReadKwh: expectedReadKwh(sum),
    meteredReadKwh: sum.meteredKwh - sum.unmatchedKwh,
    index,
    dataGapKwh: sum.dataGapKwh,
    unexplainedKwh: sum.unexplainedKwh,
    isSought: sum.isSought,
    largest: largestLoss(sum),
    toCheckKeys: asking.map(({ key }) => key),
  };
}

/** Whether a page asks for a look: by its total or by one of its lines. */
export const asksForCheck = (verdict: Verdict): boolean =>
  verdict.kind === "to-check" || ("toCheckKeys" in verdict && verdict.toCheckKeys.length > 0);

/** The largest loss found that is worth a sentence. */
export function largestLoss(sum: LedgerLine): FoundLoss | null {
  const least = TOLD_FRAC * expectedReadKwh(sum);
  const ranked = FOUND_ACCOUNTS.filter((account) => sum.foundKwh[account] > least)
    .map((account) => ({ account, kwh: sum.foundKwh[account], isAvoidable: AVOIDABLE_ACCOUNTS.includes(account) }))
    .sort((a, b) => Number(b.isAvoidable) - Number(a.isAvoidable) || b.kwh - a.kwh);
  return ranked[0] ?? null;
}

/** Energy of the losses found that somebody can do something about. */
export const avoidableKwh = ({ foundKwh }: Pick<LedgerLine, "foundKwh">): number =>
  AVOIDABLE_ACCOUNTS.reduce((sum, account) => sum + Math.max(0, foundKwh[account]), 0);
