export { dayOf } from "./day";
export { glanceOf } from "./glance";
export { type LedgerInput, type OpenLedger, openLedger } from "./open-ledger";
export type { ReadingStore, StoredSeries } from "./ports";
