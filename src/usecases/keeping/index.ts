export { type AccountGround, accountLines } from "./account-lines";
export { type KeepingGround, keep, postingRows } from "./keep";
export { type ClosedDrift, type LedgerPageInput, type LedgerPageLines, ledgerPage } from "./ledger-page";
export type { KeepingStore } from "./ports";
