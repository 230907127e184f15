export { type CapacityFit, type CapacityOutcome, type CapacityReport, capacityTest } from "./capacity-test";
export { CAPACITY_FILTERS, type CapacityFilter, type FilterLine } from "./filters";
export type { CapacityColumns } from "./intervals";
export { type CapacityTerms, CEILING_FRAC, LEAST_DAYS, LEAST_INTERVALS, type ReportingConditions, USUAL_TERMS } from "./terms";
