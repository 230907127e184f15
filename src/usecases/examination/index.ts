export { acceptedFor, cleanSeries, cleanSparse, counterKeyOf, findingKeyOf, seriesKeyOf } from "./clean";
export { decide } from "./decide";
export { examineBook, seriesFindings } from "./examine-book";
export type { DecisionStore } from "./ports";
