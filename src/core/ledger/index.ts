export { type AgainstPromise, againstPromise } from "./against-promise";
export {
  designLosses,
  expectedReadKwh,
  type FoundPostings,
  foundSumKwh,
  heatFrac,
  type LedgerLine,
  ledgerLines,
  type ModelPostings,
  NOTHING_FOUND,
  performanceIndex,
  performanceRatio,
  readOfTimeFrac,
  sizeKwh,
  totalLine,
} from "./ledger";
export { ledgerPostings, lineWithFound, lineWithTransfers, type PostingTransfer } from "./line-found";
export { isOwnWeatherKnown, isUsualYear, LEAST_READ_FRAC, type LineState, lineState, TOLD_FRAC, weatherBasisOf } from "./line-state";
export { type MeteredOnAxis, type MeterSeries, meteredOnto, mostEnergyKwh } from "./metered";
export { ageAtMiddleOf, toleranceFrac, type WeatherColumns, weatherTerms } from "./tolerance";
export { asksForCheck, avoidableKwh, type FoundLoss, largestLoss, type Tolerances, type Verdict, verdictOf } from "./verdict";
