import type { BillDocument } from "@/contracts/bills";
import { billFaults } from "@/core/money";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import type { BillStore } from "./ports";

/** Stores a book's bills over a version of them unless one of them can't be reckoned with; the first fault is told, with how many more there are. */
export async function keepBills(store: BillStore, book: Book, bills: readonly BillDocument[], ofVersion: number): Promise<void> {
  const fatal = billFaults(bills, book.site.commissioned).filter(({ isFatal }) => isFatal);
  const [first] = fatal;
  if (first) {
    const { kind, isFatal: _isFatal, ...facts } = first;
    throw new Refusal("bills-refused", "bill-fault", { fault: kind, more: fatal.length - 1, ...facts });
  }
  const inOrder = [...bills].sort((a, b) => a.from.localeCompare(b.from));
  if (!(await store.replace(book.id, inOrder, ofVersion))) throw new Refusal("book-changed", "bills-changed");
}
