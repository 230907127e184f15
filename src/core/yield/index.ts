export { ASSUMED_EFFICIENCY_FRAC, groupNameplateW, type InverterGroup, inverterGroups } from "./inverter-groups";
export { runYield, type YieldRun } from "./run-yield";
