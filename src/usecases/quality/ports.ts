import type { Decision } from "@/contracts/examination";

/** Where decisions on findings are kept. */
export interface DecisionStore {
  of(bookId: string): Promise<readonly Decision[]>;
  /** Keeps decisions and takes others back, at once. False where one of them no longer stands as it was looked at. */
  change(
    bookId: string,
    kept: readonly Decision[],
    takenBack: readonly string[],
    was: ReadonlyMap<string, Decision["state"] | null>,
  ): Promise<boolean>;
}
