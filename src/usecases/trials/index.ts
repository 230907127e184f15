export { changeDays } from "./change-days";
export { meterMonths } from "./meter-months";
export { trialMeters, trialSources } from "./trial-sources";
