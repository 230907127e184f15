export { type FirstStep, firstStep } from "./first-step";
export { type MonthlyTrend, monthlyTrend } from "./monthly-trend";
export { type NaiveYears, naiveYears, type YearTotal } from "./naive-years";
export {
  type AgeingInput,
  type AgeingMethod,
  type AgeingMethodName,
  type AgeingReading,
  type FilterStep,
  readAgeing,
} from "./read-ageing";
export {
  type AgeingVerdict,
  guaranteedFrac,
  type ModuleLevel,
  moduleLevel,
  type RateAgainstWarranty,
  rateVerdict,
  warrantyVerdict,
} from "./warranty";
export { type YearOnYear, type YearOnYearTerms, type YearPair, yearOnYear } from "./year-on-year";
