export { dayOf } from "./day";
export { daySums, glanceOf } from "./glance";
export { type LedgerInput, type OpenLedger, openLedger } from "./open-ledger";
export type { ReadingStore, StoredSeries, StoredSparse } from "./ports";
export { uncertaintyOf, wholeYearsKwh } from "./uncertainty";
export { allWeather, yearsOf, yearWeather } from "./year-weather";
