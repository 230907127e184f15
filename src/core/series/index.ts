export { assertOnAxis, endUtcMs, indexAt, sliceAxis, type TimeAxis, unionAxis } from "./axis";
export { type GapRule, total, totalsByBin } from "./reduce";
export { type CoveredSums, sumOnto } from "./resample";
