import type { BillDocument } from "@/contracts/bills";

/** Where a book's bills are kept, in order of their dates. */
export interface BillStore {
  of(bookId: string): Promise<readonly BillDocument[]>;
  /** All of a book's bills at once: nothing is half stored. */
  replace(bookId: string, bills: readonly BillDocument[]): Promise<void>;
}
