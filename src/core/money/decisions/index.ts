export { type CaseSide, type CaseTerms, type Decision, decide } from "./decide";
export { type MonthEnergy, meanYear, wholeYears } from "./over-years";
export type { PLAIN_SIDES, SideName } from "./side-name";
export type { CaseFacts, CaseFigures, CaseInput, CaseTemplate, SimulateYear, SimulateYears } from "./template";
export { CASE_TEMPLATES } from "./templates";
