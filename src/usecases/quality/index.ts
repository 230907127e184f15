export { acceptedFor, cleanSeries, cleanSparse, counterKeyOf, findingKeyOf, seriesKeyOf, spanKeyOf } from "./clean";
export { decide } from "./decide";
export { examineBook, expectedOf, seriesFindings, weatherStrip } from "./examine-book";
export { type HealthBasis, healthBasis } from "./health-basis";
export type { DecisionStore } from "./ports";
