export {
  isRange,
  methodTotal,
  naiveSavingPerYear,
  reRunRange,
  type SavingInput,
  type SavingMonth,
  type SavingsMethod,
  type SavingsTerms,
  savingsOf,
} from "./methods";
export { type PlanTest, planTest } from "./plan-test";
export { type DayShape, EVEN_DAY, HOUSEHOLD_DAY, hoursOfUse, type SunHour, selfUseByBand, type UseOfHours } from "./self-use";
export { type MethodGap, methodGap } from "./why-they-differ";
