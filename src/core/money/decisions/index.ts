export { type CaseSide, type CaseTerms, type Decision, decide } from "./decide";
export type { PLAIN_SIDES, SideName } from "./side-name";
export type { CaseFacts, CaseFigures, CaseInput, CaseTemplate, SimulateYear } from "./template";
export { CASE_TEMPLATES } from "./templates";
