export { type CurveTable, curveTable, fillCurve } from "./curve-table";
export {
  clipW,
  constantEfficiencyW,
  type EfficiencyPoint,
  efficiencyAt,
  type KingInverter,
  kingInverterW,
  usualCurve,
  weightedEfficiency,
} from "./inverter";
