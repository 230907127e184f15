export { naiveSavingPerYear, type SavingInput, type SavingMonth, type SavingsTerms, type School, savingsOf, schoolTotal } from "./schools";
export { type DayShape, EVEN_DAY, HOUSEHOLD_DAY, hoursOfUse, type SunHour, selfUseByBand, type UseOfHours } from "./self-use";
export { type SchoolGap, schoolGap } from "./why-they-differ";
