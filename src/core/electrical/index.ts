export { type ArrayCurve, arrayCurve } from "./array-curve";
export { type Cable, type CableLoss, cableLoss } from "./cable";
export {
  byVoltage,
  type CableRun,
  CONDUCTORS,
  type Conductor,
  cableSections,
  cheapestSection,
  SECTIONS_MM2,
  type SectionChoice,
  squaredHours,
} from "./cable-choice";
export { type CellGroup, fillGroupVoltage, groupsOf, groupVoltageV, type StringModule } from "./cell-group";
export {
  BALANCE_OFF,
  checkInverter,
  INVERTER_FINDINGS,
  type InputReading,
  type InverterFinding,
  type InverterReading,
  type InverterReport,
  type InverterTerms,
  isFine,
} from "./inverter-reading";
export { type KeptInverter, keptInverters } from "./kept-inverters";
export { type MixedReport, mixedReport, ruleHolds } from "./mixed-report";
export { type MixedPlace, type MixedYear, mixedYear } from "./mixed-year";
export { type PairingAdvice, type PairingWay, pairingAdvice } from "./pairing";
export { type MixedArray, type MixedPoint, mixedPoint } from "./parallel";
export type { Peak } from "./peaks";
export { SPOT_CAUSES, type SpotCause } from "./spot-causes";
export { type InstrumentTerms, ROUGH_BELOW_WM2, type SpotReport, spotCheck, spotCurve, USUAL_INSTRUMENTS } from "./spot-check";
export { SPOT_DOUBTS, type SpotDoubt, spotDoubts } from "./spot-doubts";
export { type Judged, SPOT_QUANTITIES, type SpotModule, type SpotQuantity, type SpotReading } from "./spot-reading";
export { type ColdGuess, LIMIT_KEYS, type Limit, type LimitKey, type StringCheck, siteStringCheck, stringCheck } from "./string-check";
export { type StringCurve, type StringPoint, stringCurrentA, stringCurve, stringPoint, stringVoltageV } from "./string-curve";
export { type StringLimits, type StringLimitsIn, stringLimits } from "./string-limits";
