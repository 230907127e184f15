export { type KeepingGround, keep, postingRows, postingsOf } from "./keep";
export { type LedgerPageInput, type LedgerPageLines, ledgerPage } from "./ledger-page";
export type { KeepingStore } from "./ports";
