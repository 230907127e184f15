export { ASSUMED_EFFICIENCY_FRAC, groupNameplateW, type InverterGroup, inverterGroups } from "./inverter-groups";
export { type PreparedWeather, prepareWeather, runPrepared, runYield, type YieldOptions, type YieldRun } from "./run-yield";
