import { createHash } from "node:crypto";
import type { AttributionStore } from "@/usecases/attribution";
import type { Book } from "@/usecases/books";
import { type BillStore, type MoneyPage, moneyPage } from "@/usecases/money";
import type { LedgerOf } from "./ledger-cache";

export type MoneyOf = (book: Book) => Promise<MoneyPage & { readonly bills: Awaited<ReturnType<BillStore["of"]>> }>;

const MOST_CACHED = 8;

/** Keeps the money of the last few books; their bills, their version and what was read of causes tell when it is out of date. */
export function moneyCache(bills: BillStore, causes: AttributionStore, ledgerOf: LedgerOf): MoneyOf {
  const cached = new Map<string, { key: string; page: MoneyPage }>();
  return async (book) => {
    const [ledger, printed, run] = await Promise.all([ledgerOf(book), bills.of(book.id), causes.of(book.id)]);
    const key = `${book.version} ${run?.reportVersion} ${createHash("sha256").update(JSON.stringify(printed)).digest("hex")}`;
    const known = cached.get(book.id);
    const page = known?.key === key ? known.page : moneyPage({ site: book.site, ledger, bills: printed, causes: run?.report ?? null });
    cached.delete(book.id);
    cached.set(book.id, { key, page });
    for (const id of [...cached.keys()].slice(0, Math.max(0, cached.size - MOST_CACHED))) cached.delete(id);
    return { ...page, bills: printed };
  };
}
