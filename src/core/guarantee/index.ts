export { type GuaranteeColumns, type GuaranteeYear, guaranteeYears, type Measured } from "./guarantee";
export { type Exclusion, GUARANTEE_KINDS, type GuaranteeKind, type GuaranteeTerms } from "./terms";
