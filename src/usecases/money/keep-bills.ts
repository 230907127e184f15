import type { BillDocument } from "@/contracts/bills";
import { billFaults } from "@/core/money";
import { billFaultWords } from "@/wording/money";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import type { BillStore } from "./ports";

/** Stores a book's bills unless one of them can't be reckoned with; the first fault is told in words, with how many more there are. */
export async function keepBills(store: BillStore, book: Book, bills: readonly BillDocument[]): Promise<void> {
  const fatal = billFaults(bills).filter(({ isFatal }) => isFatal);
  const [first] = fatal;
  if (first) {
    const { what, remedy } = billFaultWords(first);
    const more = fatal.length > 1 ? ` (And ${fatal.length - 1} more.)` : "";
    throw new Refusal("bills-refused", `${what}${more}`, remedy, { faults: fatal.length });
  }
  await store.replace(
    book.id,
    [...bills].sort((a, b) => a.from.localeCompare(b.from)),
  );
}
