import type { ClosedMonth, Keeping, Transfer } from "@/contracts/keeping";

/** Where moved postings, closed months and the audit trail are kept; every change writes its trail in the same transaction. */
export interface KeepingStore {
  of(bookId: string): Promise<Keeping>;
  move(bookId: string, transfer: Omit<Transfer, "id" | "madeAt">, what: string): Promise<void>;
  /** False when there is no such transfer. */
  takeBack(bookId: string, id: number, month: string, what: string): Promise<boolean>;
  accept(bookId: string, month: string, account: string, what: string): Promise<void>;
  close(bookId: string, month: Omit<ClosedMonth, "closedAt">, what: string): Promise<void>;
  reopen(bookId: string, month: string, what: string): Promise<void>;
}
