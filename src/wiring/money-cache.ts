import { createHash } from "node:crypto";
import type { AttributionStore } from "@/usecases/attribution";
import type { Book } from "@/usecases/books";
import { type BillStore, type MoneyPage, moneyPage } from "@/usecases/money";
import { byBook } from "./cache";
import type { LedgerOf } from "./ledger-cache";
import type { ViewOf } from "./view-cache";

export type MoneyOf = (book: Book) => Promise<MoneyPage & { readonly bills: Awaited<ReturnType<BillStore["of"]>> }>;

/** Money of the last few books; their bills and what was read of causes tell, too, when it is out of date. */
export function moneyCache(bills: BillStore, attributions: AttributionStore, viewOf: ViewOf, ledgerOf: LedgerOf): MoneyOf {
  return byBook(
    async (book) => {
      const [ledger, printed, view] = await Promise.all([ledgerOf(book), bills.of(book.id), viewOf(book)]);
      return { ...moneyPage({ site: book.site, ledger, bills: printed, causes: view }), bills: printed };
    },
    async (book) => {
      const [status, printed] = await Promise.all([attributions.statusOf(book.id), bills.of(book.id)]);
      return `${status?.madeAt} ${createHash("sha256").update(JSON.stringify(printed)).digest("hex")}`;
    },
  );
}
