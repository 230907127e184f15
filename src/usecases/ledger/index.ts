export { dayOf } from "./day";
export { IRRADIANCE, trimmedAxis } from "./gather";
export { daySums, glanceOf } from "./glance";
export { type LedgerInput, type OpenLedger, openLedger, rangeOf } from "./open-ledger";
export { ownSunOf } from "./own-sun";
export type { ReadingStore, StoredSeries, StoredSparse } from "./ports";
export { type Doubt, doubtOf, uncertaintyOf, wholeYearsKwh } from "./uncertainty";
export { yearsOf } from "./year-names";
export { allWeather, yearWeather } from "./year-weather";
