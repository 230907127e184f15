export { fanOfRates } from "./fan";
export { type FirstStep, firstStep } from "./first-step";
export { lightRateError } from "./light-stability";
export { type LightStep, lightStep } from "./light-step";
export { type MonthlyTrend, monthlyTrend } from "./monthly-trend";
export { type NaiveYears, naiveYears, type YearTotal } from "./naive-years";
export {
  type AgeingInput,
  type AgeingMethod,
  type AgeingMethodName,
  type AgeingReading,
  type FilterStep,
  type LightRecord,
  readAgeing,
} from "./read-ageing";
export { type RecentRate, recentRate } from "./recent-rate";
export {
  type AgeingVerdict,
  guaranteedFrac,
  type ModuleLevel,
  moduleLevel,
  type RateAgainstWarranty,
  rateVerdict,
  warrantyVerdict,
} from "./warranty";
export { type YearOnYear, type YearOnYearTerms, yearOnYear } from "./year-on-year";
export { type YearPair, yearPairs } from "./year-pairs";
export { type YearlyWave, yearlyWave } from "./yearly-wave";
