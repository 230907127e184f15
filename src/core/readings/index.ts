export { energyKwh, type ProductionQuantity } from "./energy";
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
