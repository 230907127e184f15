import type { SetAsideReason } from "@/contracts/standing";
import { asksForCheck, type LedgerLine, type Verdict, verdictOf } from "@/core/ledger";
import { pageTolerances } from "@/features/ledger/span-tolerance";
import type { LedgerContext } from "@/wording/workings/ledger-workings";

export interface ShelfBook {
  readonly slug: string;
  readonly name: string;
  /** Null where its document can't be read. */
  readonly kwp: number | null;
  readonly place: string;
  /** The last year there is; null without weather. */
  readonly line: LedgerLine | null;
  /** The months of that year. */
  readonly months: readonly LedgerLine[];
  /** Null where there are no figures. */
  readonly context: LedgerContext | null;
  readonly state:
    | { readonly kind: "fine" }
    | { readonly kind: "reckoning" }
    | { readonly kind: "set-aside"; readonly reason: SetAsideReason };
}

/** What the last year of a book says; null where there is nothing to judge. */
export const verdictOfBook = ({ line, months, context }: ShelfBook): Verdict | null =>
  line && context && line.meteredKwh !== null ? verdictOf(line, months, pageTolerances(context, months)) : null;

/** Whether nothing can be said of the last year: no figures, nothing metered, or no weather of its own. */
export function isNotKnown(book: ShelfBook): boolean {
  const verdict = verdictOfBook(book);
  return book.state.kind === "set-aside" || !verdict || verdict.kind === "no-weather" || verdict.kind === "usual-year";
}

/** Whether the last year asks for a check: the very rule of its ledger page. */
export function isToCheck(book: ShelfBook): boolean {
  const verdict = verdictOfBook(book);
  return verdict !== null && asksForCheck(verdict);
}
