export { type EnergyBasis, firstYearEnergy, type YearEnergy } from "./first-year";
export { type Payback, type PaybackTerms, type PaybackYear, payback } from "./payback";
export { HORIZON_YEARS, type MoneyReport, moneyOf } from "./report";
