export { type ClockEvidence, type ClockReading, clockEvidence } from "./clock-evidence";
export { type ExpectedBetween, examineCounter, misreadings } from "./counters";
export { type ExaminationInput, examine } from "./examine";
export type { ExpectedSeries } from "./expected";
export { findFalseZeros } from "./false-zeros";
export { type Finding, type FindingKind, findingKinds, type Remedy, type Stretch } from "./finding";
export { type LabelEvidence, labelEvidence } from "./label-evidence";
export { derived, derivedCounters, derivedSpans } from "./remedies";
