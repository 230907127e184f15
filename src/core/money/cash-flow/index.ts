export { type PaybackDoubts, type PaybackSpread, paybackSpread, USUAL_DOUBTS } from "./draws";
export { type LoanMonth, type LoanOrCash, type LoanTerms, loanOrCash, loanSchedule, type OutlayTerms, type OutlayYear } from "./loan";
export { type RunRate, type RunRateTerms, runRate } from "./run-rate";
export { type TornadoBar, type TornadoTerm, tornado } from "./tornado";
