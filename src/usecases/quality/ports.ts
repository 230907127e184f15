import type { Decision } from "@/contracts/examination";

/** Where decisions on findings are kept. */
export interface DecisionStore {
  of(bookId: string): Promise<readonly Decision[]>;
  /** Keeps decisions and takes others back, at once. */
  change(bookId: string, kept: readonly Decision[], takenBack: readonly string[]): Promise<void>;
}
