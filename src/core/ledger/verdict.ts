import type { LedgerAccount } from "../accounts";
import { type LedgerLine, ledgerPostings } from "./ledger";
import { lineState } from "./line-state";

/** The sentence above a ledger page, as facts; the interface words it. */
export type Verdict =
  | { readonly kind: "no-weather" }
  | { readonly kind: "no-readings"; readonly expectedKwh: number; readonly largest: readonly Posting[] }
  | {
      readonly kind: "settled" | "short" | "over";
      readonly expectedKwh: number;
      readonly meteredKwh: number;
      readonly missingKwh: number;
      readonly dataGapKwh: number;
      readonly unexplainedKwh: number;
      /** The month that holds most of the remainder. */
      readonly worstKey: string | null;
      readonly largest: readonly Posting[];
    };

export interface Posting {
  readonly account: LedgerAccount;
  readonly kwh: number;
}

/** Shares of the expected energy within which a difference says nothing: of the page, and of one of its lines. */
export interface Tolerances {
  readonly page: number;
  readonly line: number;
}

/**
 * What a page of ledger lines says. `lines` are the page's months, `sum` their total. A remainder within the page's tolerance is settled, unless a line of its
 * own asks for a look: what one month surely lacks, a year must not swallow.
 */
export function verdictOf(sum: LedgerLine, lines: readonly LedgerLine[], { page, line }: Tolerances): Verdict {
  if (!(sum.referenceKwh > 0)) return { kind: "no-weather" };
  const largest = largestLosses(sum);
  if (sum.meteredKwh === null || sum.unexplainedKwh === null) return { kind: "no-readings", expectedKwh: sum.expectedKwh, largest };
  const remainder = sum.unexplainedKwh;
  const asks = remainder > 0 && lines.some((each) => lineState(each, line) === "look");
  const tellable = asks || Math.abs(remainder) > page * sum.expectedKwh;
  return {
    kind: tellable ? (remainder > 0 ? "short" : "over") : "settled",
    expectedKwh: sum.expectedKwh,
    meteredKwh: sum.meteredKwh,
    missingKwh: sum.expectedKwh - sum.meteredKwh,
    dataGapKwh: sum.dataGapKwh,
    unexplainedKwh: remainder,
    worstKey: worst(lines, Math.sign(remainder)),
    largest,
  };
}

/** The three accounts that take most. */
export function largestLosses(sum: LedgerLine): Posting[] {
  const { unread: _unread, remainder: _remainder, ...model } = ledgerPostings(sum);
  return (Object.entries(model) as [LedgerAccount, number][])
    .map(([account, kwh]) => ({ account, kwh }))
    .filter((posting) => posting.kwh > 0)
    .sort((a, b) => b.kwh - a.kwh)
    .slice(0, 3);
}

function worst(lines: readonly LedgerLine[], sign: number): string | null {
  const ranked = lines
    .filter((l) => (l.unexplainedKwh ?? 0) * sign > 0)
    .sort((a, b) => sign * ((b.unexplainedKwh ?? 0) - (a.unexplainedKwh ?? 0)));
  return ranked[0]?.key ?? null;
}
