export {
  type LedgerLine,
  ledgerLines,
  ledgerPostings,
  type ModelPostings,
  performanceIndex,
  performanceRatio,
  totalLine,
} from "./ledger";
export { type LineState, lineState } from "./line-state";
export { lineWithTransfers } from "./line-transfers";
export { type MeteredOnAxis, type MeterSeries, meteredOnto, mostEnergyKwh } from "./metered";
export { ageAtMiddleOf, toleranceFrac, type WeatherColumns, weatherTerms } from "./tolerance";
export { type PostingTransfer, withTransfers } from "./transfers";
export { largestLosses, type Tolerances, type Verdict, verdictOf } from "./verdict";
