export { type LitSky, litSky, type SkyModules } from "./lit-sky";
export { type PlaneTerms, planeEnergyKwh, planeTerms } from "./plane-energy";
export { type PreparedWeather, prepareWeather } from "./prepare";
export { runPrepared, runYield } from "./run-yield";
export { expectedUncertainty, type TypicalYear, typicalYear, type Uncertainty, type UncertaintyPart } from "./uncertainty";
export { applyWhatIf, type WhatIf } from "./what-if";
export type { YieldOptions, YieldRun } from "./workspace";
export { type YieldLine, yieldLines, yieldSum } from "./yield-lines";
