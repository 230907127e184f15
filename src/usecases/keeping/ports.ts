import type { AuditEntry, ClosedMonth, Keeping, Transfer } from "@/contracts/keeping";

/** What is written into the trail of a change. */
export type Trail = Pick<AuditEntry, "code" | "facts">;

/** Where moved postings, closed months and the audit trail are kept; every change writes its trail in the same transaction. */
export interface KeepingStore {
  of(bookId: string): Promise<Keeping>;
  /** What was moved and closed in several books, by book; books without any are left out. */
  linesOf(bookIds: readonly string[]): Promise<ReadonlyMap<string, Pick<Keeping, "transfers" | "closed">>>;
  move(bookId: string, transfer: Omit<Transfer, "id" | "madeAt">, trail: Trail): Promise<void>;
  /** False when there is no such transfer. */
  takeBack(bookId: string, id: number, month: string, trail: Trail): Promise<boolean>;
  accept(bookId: string, month: string, account: string, trail: Trail): Promise<void>;
  close(bookId: string, month: Omit<ClosedMonth, "closedAt">, trail: Trail): Promise<void>;
  reopen(bookId: string, month: string, trail: Trail): Promise<void>;
}
