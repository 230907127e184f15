import type { LedgerAccount } from "../accounts";

/** Energy that an analyst moved from one account to another, kWh. */
export interface PostingTransfer {
  readonly from: LedgerAccount;
  readonly to: LedgerAccount;
  readonly kwh: number;
}

/** Postings after transfers; their sum does not change. */
export function withTransfers(
  postings: Readonly<Record<LedgerAccount, number>>,
  transfers: readonly PostingTransfer[],
): Record<LedgerAccount, number> {
  const out = { ...postings };
  for (const { from, to, kwh } of transfers) {
    out[from] -= kwh;
    out[to] += kwh;
  }
  return out;
}
