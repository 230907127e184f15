import type { SetAsideReason } from "@/contracts/standing";
import { type LedgerLine, verdictOf } from "@/core/ledger";
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

/** More is missing of the last year than instruments and model can be off. */
export const isShort = ({ line, months, context }: ShelfBook): boolean =>
  line !== null && context !== null && verdictOf(line, months, pageTolerances(context, months)).kind === "short";
