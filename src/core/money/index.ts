export {
  averagePrice,
  type BillFault,
  type BillLine,
  type BillMonth,
  billFaults,
  billMonths,
  type EnergyShares,
  energyShares,
  estimateMissing,
  later,
  type PromiseProgress,
  promiseProgress,
} from "./bills";
export {
  type LoanOrCash,
  type LoanTerms,
  loanOrCash,
  loanSchedule,
  type PaybackDoubts,
  type PaybackSpread,
  paybackSpread,
  type RunRate,
  runRate,
  type TornadoBar,
  type TornadoTerm,
  tornado,
  USUAL_DOUBTS,
} from "./cash-flow";
export { type CountedFrom, countedFrom } from "./counted-from";
export {
  CASE_TEMPLATES,
  type CaseFacts,
  type CaseFigures,
  type CaseInput,
  type CaseSide,
  type CaseTemplate,
  type CaseTerms,
  type Decision,
  decide,
  type MonthEnergy,
  meanYear,
  type PLAIN_SIDES,
  type SideName,
  type SimulateYear,
  type SimulateYears,
  wholeYears,
} from "./decisions";
export { amountOf, Exact, minorDigits, quantity, roundTo, sumOf } from "./exact";
export { type EnergyBasis, firstYearEnergy, type YearEnergy } from "./first-year";
export { type BillParts, type BillReading, FIXED_PART, type OneBill, readBill, shareOfCosts } from "./from-a-bill";
export { extraSelfUsedFrac, extraWorthAt, pricePerKwh, tariffRises, worthAt, yearlyKwhWorth } from "./kwh-worth";
export { levelisedCost } from "./levelised";
export { agedShare, type Payback, type PaybackTerms, type PaybackYear, payback, yearsToReturn } from "./payback";
export { type PriceTerms, priceIn, priceRises } from "./price-path";
export { type MoneyChoices, type MoneyReport, moneyOf } from "./report";
export {
  type DayShape,
  EVEN_DAY,
  HOUSEHOLD_DAY,
  hoursOfUse,
  isRange,
  type MethodGap,
  methodGap,
  methodTotal,
  naiveSavingPerYear,
  type PlanTest,
  planTest,
  reRunRange,
  type SavingInput,
  type SavingMonth,
  type SavingsMethod,
  type SunHour,
  savingsOf,
  selfUseByBand,
} from "./savings";
export { sharedByShape } from "./shared-by-shape";
export {
  type Bill,
  bandAt,
  billOf,
  billsInTurn,
  comparePlans,
  datesBetween,
  daysInMonth,
  type Plan,
  type PlanDay,
  type PlanFault,
  type PlanOutcome,
  type PriceYear,
  planDay,
  planFaults,
  planOn,
  planWeeks,
  priceYear,
  slicesOfIntervals,
  slicesOfTotals,
} from "./tariff";
export { type ValueSoFar, valueSoFar } from "./value-so-far";
