import { type LedgerAccount, ledgerAccountOf, MODEL_ACCOUNTS, type ModelAccount } from "../accounts";
import type { LedgerLine } from "./ledger";
import type { PostingTransfer } from "./transfers";

/** A line with what an analyst moved; reference - accounts = expected and the meter's side still close. */
export function lineWithTransfers(line: LedgerLine, transfers: readonly PostingTransfer[]): LedgerLine {
  if (transfers.length === 0) return line;
  const accountsKwh = { ...line.accountsKwh };
  let { dataGapKwh } = line;
  let moved = 0;
  const post = (account: LedgerAccount, kwh: number): void => {
    if (account === "unread") dataGapKwh += kwh;
    else if (account === "remainder") return;
    else {
      const stage = stageOf(account);
      accountsKwh[stage] += kwh;
      moved += kwh;
    }
  };
  for (const { from, to, kwh } of transfers) {
    post(from, -kwh);
    post(to, kwh);
  }
  const expectedKwh = line.expectedKwh - moved;
  const unexplainedKwh =
    line.unexplainedKwh === null || line.meteredKwh === null ? null : expectedKwh - dataGapKwh - (line.meteredKwh - line.unmatchedKwh);
  return { ...line, accountsKwh, expectedKwh, dataGapKwh: dataGapKwh, unexplainedKwh: unexplainedKwh };
}

/** The stage that carries an account's moved energy: its first. */
const stageOf = (account: LedgerAccount): ModelAccount => MODEL_ACCOUNTS.find((stage) => ledgerAccountOf(stage) === account)!;
