export { type ClockEvidence, type ClockReading, clockEvidence } from "./clock-evidence";
export { examineCounter, misreadings, type OwedBetween } from "./counters";
export { type ExaminationInput, examine } from "./examine";
export { type Finding, type FindingKind, findingKinds, type Remedy, type Stretch } from "./finding";
export type { OwedSeries } from "./owed";
export { derived, derivedCounters } from "./remedies";
