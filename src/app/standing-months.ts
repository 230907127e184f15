import type { LedgerLine } from "@/core/ledger";
import type { Book } from "@/usecases/books";
import { accountLines } from "@/usecases/keeping";
import type { House } from "@/wiring";

/** A book's months as every page has them: with what was found, moved and closed. What an older version of the book found is not taken. */
export async function standingMonths(
  book: Book,
  { attributions, keeping, viewOf }: Pick<House, "attributions" | "keeping" | "viewOf">,
  planned: readonly LedgerLine[],
): Promise<LedgerLine[]> {
  const [status, view, kept] = await Promise.all([attributions.statusOf(book.id), viewOf(book), keeping.of(book.id)]);
  const found = status?.resultVersion === book.version ? (view?.found ?? null) : null;
  return accountLines(planned, { found, keeping: kept }).months;
}
