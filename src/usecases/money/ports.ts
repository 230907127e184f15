import type { BillDocument } from "@/contracts/bills";

/** Where a book's bills are kept, in order of their dates. */
export interface BillStore {
  of(bookId: string): Promise<readonly BillDocument[]>;
  /** Rises with every save. */
  versionOf(bookId: string): Promise<number>;
  /** All of a book's bills at once, over the version that the editor saw: nothing is half stored. False when somebody else was faster. */
  replace(bookId: string, bills: readonly BillDocument[], ofVersion: number): Promise<boolean>;
}
