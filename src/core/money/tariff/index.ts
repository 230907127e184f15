export { type Bill, billOf, billsInTurn, type CreditBank, EMPTY_BANK, type EnergyCharge, monthsOf } from "./bill";
export { comparePlans, type PlanOutcome } from "./compare-plans";
export { PLACEMENTS, type Placement } from "./placements";
export { inCents, type PlanFault, planFaults } from "./plan-checks";
export { type BandStretch, planWeeks, type SeasonWeek } from "./plan-week";
export { bandAt, datesBetween, daysInMonth, type PlanDay, planDay, planOn, riseOn } from "./price-at";
export { type PriceYear, priceYear } from "./price-year";
export type { Band, BandDays, CreditKind, ExportCredit, Plan, Season, Tier } from "./types";
export {
  type PeriodTotals,
  type Slices,
  type SlicesFault,
  slicesOfIntervals,
  slicesOfTotals,
  type UsageSlice,
} from "./usage";
