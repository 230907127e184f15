export { changeDays } from "./change-days";
export { trialMeters, trialSources } from "./trial-sources";
