export { ASSUMED_EFFICIENCY_FRAC, groupNameplateW, type InverterGroup, inverterGroups } from "./inverter-groups";
export { type LitSky, litSky } from "./lit-sky";
export { type OnePlane, type PlaneTerms, planeEnergyKwh, planeTerms } from "./plane-energy";
export { type PreparedWeather, prepareWeather } from "./prepare";
export { runPrepared, runYield, type YieldOptions, type YieldRun } from "./run-yield";
