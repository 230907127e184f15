export { beginsAnewDaily, dayCounterStepKwh } from "./day-counter";
export { energyKwh, type ProductionQuantity } from "./energy";
export {
  daysOfMonth,
  expectedOverDays,
  type HealthSide,
  healthSide,
  promisedKwh,
  type Tolerance,
  USUAL_TOLERANCE,
} from "./health";
export { type MeterEnergy, mergeMeterEnergy } from "./merge";
export { type SettledReadings, settleReadings } from "./settle";
export {
  type ComparedSpan,
  type CounterAt,
  compareSpans,
  counterSpans,
  energyBetween,
  type MeteredSpan,
  type SplitEnergy,
  splitSpans,
} from "./spans";
export { MISSING, type NumberGrammar, sniffNumbers, toNumber } from "./written-number";
