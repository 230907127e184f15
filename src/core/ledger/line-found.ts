import { FOUND_ACCOUNTS, type FoundAccount, type LedgerAccount } from "../accounts";
import { type FoundPostings, foundSumKwh, type LedgerLine } from "./ledger";

/** Energy that an analyst moved from one account to another, kWh. */
export interface PostingTransfer {
  readonly from: LedgerAccount;
  readonly to: LedgerAccount;
  readonly kwh: number;
}

/** Closes a line: what is left of expected, losses found and gaps is unexplained. */
const closed = (line: LedgerLine): LedgerLine => ({
  ...line,
  unexplainedKwh:
    line.meteredKwh === null || line.unexplainedKwh === null
      ? null
      : line.expectedKwh - foundSumKwh(line) - line.dataGapKwh - (line.meteredKwh - line.unmatchedKwh),
});

/** A line with what the evidence shows beside the plan. Expected stays; what was found leaves the unexplained. */
export const lineWithFound = (line: LedgerLine, foundKwh: FoundPostings): LedgerLine => closed({ ...line, foundKwh, isSought: true });

/** A line with what an analyst moved among losses found, gaps and the unexplained; their sum stays. */
export function lineWithTransfers(line: LedgerLine, transfers: readonly PostingTransfer[]): LedgerLine {
  if (transfers.length === 0) return line;
  const foundKwh: Record<FoundAccount, number> = { ...line.foundKwh };
  let { dataGapKwh } = line;
  const post = (account: LedgerAccount, kwh: number): void => {
    if (account === "dataGap") dataGapKwh += kwh;
    else if (account !== "unexplained") foundKwh[account] += kwh;
  };
  for (const { from, to, kwh } of transfers) {
    post(from, -kwh);
    post(to, kwh);
  }
  return closed({ ...line, foundKwh, dataGapKwh });
}

/** What stands between expected and metered, account by account. */
export const ledgerPostings = (line: LedgerLine): Record<LedgerAccount, number> => ({
  ...(Object.fromEntries(FOUND_ACCOUNTS.map((account) => [account, line.foundKwh[account]])) as Record<FoundAccount, number>),
  dataGap: line.dataGapKwh,
  unexplained: line.unexplainedKwh ?? 0,
});
