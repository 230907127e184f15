export { type Cable, type CableLoss, cableLoss } from "./cable";
export { type CellGroup, groupsOf, groupVoltageV, type StringModule } from "./cell-group";
export { type MixedArray, type MixedPoint, mixedPoint } from "./parallel";
export type { Peak } from "./peaks";
export { type Limit, type StringCheck, stringCheck } from "./string-check";
export { type StringCurve, type StringPoint, stringCurrentA, stringCurve, stringPoint, stringVoltageV } from "./string-curve";
export { type StringLimits, type StringLimitsIn, stringLimits } from "./string-limits";
