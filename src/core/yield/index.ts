export { type AxisAge, ageOnAxis } from "./age-on-axis";
export { cloudlessSoFarKwh, daySoFar } from "./day-so-far";
export { hourProfile } from "./hour-profile";
export { ASSUMED_EFFICIENCY_FRAC, curveOf, type InverterGroup, inverterGroups, ratedDcW } from "./inverter-groups";
export { levelLight } from "./level-light";
export { type LitSky, litSky, type SkyModules } from "./lit-sky";
export { diodeTableOf, lowLightLossFrac } from "./module-power";
export { type Moment, type MomentPower, momentPower } from "./moment";
export { type MonthSums, monthSums, sumOf } from "./month-sums";
export { ownMeterSun } from "./own-meter-sun";
export { type PlaneTerms, planeEnergyKwh, planeTerms } from "./plane-energy";
export { type PlaneHours, planeHours } from "./plane-hours";
export { type PreparedWeather, prepareWeather } from "./prepare";
export { REAR_EVEN_FRAC, REAR_FREE_FRAC } from "./rear-light";
export { type RevisionEffect, revisionEffects } from "./revision-effects";
export { runPrepared, runYield } from "./run-yield";
export { HORIZON_ID, type ObstacleCost, ownObstacleId, type ShadeReport, shadeReport, withoutShader } from "./shade-report";
export {
  type AlbedoGain,
  albedoGain,
  type ClearingNow,
  clearingNow,
  type StormReport,
  stormReport,
  type TypedStorm,
  typedStorms,
} from "./snow-bench";
export { fillSpread, meanExcess } from "./sub-hourly";
export {
  expectedUncertainty,
  levelStandardFrac,
  type TypicalYear,
  typicalYear,
  type Uncertainty,
  type UncertaintyName,
  type UncertaintyPart,
  type UncertaintyTerms,
} from "./uncertainty";
export { arrayLightWm2 } from "./varying";
export { type WeatherShare, weatherShare } from "./weather-share";
export { applyWhatIf, type WhatIf } from "./what-if";
export type { EvidencedCauses, YieldOptions, YieldRun } from "./workspace";
export { type YieldLine, yieldLines, yieldSum } from "./yield-lines";
