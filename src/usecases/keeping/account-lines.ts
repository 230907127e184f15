import type { FoundMonth } from "@/contracts/attribution";
import type { Keeping } from "@/contracts/keeping";
import { type LedgerLine, lineWithFound, lineWithTransfers } from "@/core/ledger";

/** What decides about a book's lines beside its ledger. */
export interface AccountGround {
  /** What was found beside the plan; null until causes were sought. */
  readonly found: readonly FoundMonth[] | null;
  readonly keeping: Pick<Keeping, "transfers" | "closed">;
}

/**
 * The one account of a book, month by month: expected, losses found, data gaps, unexplained, metered. Every page, the shelf, the command line and every file
 * take their lines from here. A closed month stands as it was closed; `asToday` gives what would stand now.
 */
export function accountLines(
  planned: readonly LedgerLine[],
  { found, keeping }: AccountGround,
): { readonly months: LedgerLine[]; readonly asToday: LedgerLine[] } {
  const besides = new Map(found?.map(({ key, foundKwh }) => [key, foundKwh]));
  const frozen = new Map(keeping.closed.map(({ month, line }) => [month, line]));
  const asToday = planned.map((line) => {
    const own = besides.get(line.key);
    const sought = own && line.meteredKwh !== null ? lineWithFound(line, own) : line;
    return lineWithTransfers(
      sought,
      keeping.transfers.filter(({ month }) => month === line.key),
    );
  });
  return { asToday, months: asToday.map((line) => frozen.get(line.key) ?? line) };
}
