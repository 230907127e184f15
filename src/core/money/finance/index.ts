export { type AnnuityTerms, interestPart, owedAfter, payment } from "./annuity";
export { type DatedFlow, datedPresentValue, presentValue, yearsBetween } from "./present-value";
export { datedRateOfReturn, type RateOfReturn, rateOfReturn } from "./rate-of-return";
