import { MODEL_ACCOUNTS, type ModelAccount } from "../accounts";
import type { YieldRun } from "./workspace";

/** The sun's side of one span: what it owed, where it went, what should reach the meter. kWh; a loss is positive. */
export interface YieldLine {
  readonly key: string;
  readonly planeKwhM2: number;
  readonly referenceKwh: number;
  readonly accountsKwh: Readonly<Record<ModelAccount, number>>;
  readonly expectedKwh: number;
}

const accountsOf = (of: (account: ModelAccount) => number): Record<ModelAccount, number> =>
  Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, of(account)])) as Record<ModelAccount, number>;

/** Lines of a run, one a bin. */
export const yieldLines = (run: YieldRun): YieldLine[] =>
  run.bins.keys.map((key, b) => ({
    key,
    planeKwhM2: run.planeKwhM2[b]!,
    referenceKwh: run.referenceKwh[b]!,
    expectedKwh: run.expectedByBinKwh[b]!,
    accountsKwh: accountsOf((account) => run.accountsKwh[account][b]!),
  }));

/** Several lines as one. */
export function yieldSum(key: string, lines: readonly YieldLine[]): YieldLine {
  const sum = (of: (line: YieldLine) => number): number => lines.reduce((total, line) => total + of(line), 0);
  return {
    key,
    planeKwhM2: sum((line) => line.planeKwhM2),
    referenceKwh: sum((line) => line.referenceKwh),
    expectedKwh: sum((line) => line.expectedKwh),
    accountsKwh: accountsOf((account) => sum((line) => line.accountsKwh[account])),
  };
}
