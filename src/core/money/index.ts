export { type Payback, type PaybackTerms, type PaybackYear, payback } from "./payback";
export { type EnergyBasis, firstYearEnergy } from "./first-year";
