export { type AgeingRate, ageInYears, ageingFactor } from "./ageing";
export {
  type CellTemperatureModel,
  cellOverBack,
  faiman,
  HEAT_LOSS,
  type HeatLoss,
  KING_MOUNT,
  type KingMount,
  kingCell,
  kingModule,
  type Mounting,
  NOCT_RISE_K,
  ross,
} from "./cell-temperature";
export { type Datasheet, fitDatasheet } from "./datasheet-fit";
export { type DiodeTable, diodeTable, tableHeat, tableLowLight } from "./diode-table";
export { type ModuleDoubt, moduleDoubts } from "./doubts";
export {
  ESTIMATED_FIELDS,
  type Estimate,
  type EstimatedField,
  estimatedFrom,
  estimateSpread,
  type Nameplate,
  withEstimates,
} from "./estimate";
export { IAM_STEPS, type IamTable, type IncidenceModifier, iamAt, iamTable } from "./iam-table";
export { HULD_CRYSTALLINE_SI, type HuldCoefficients, huldEfficiency, lowLightFactor } from "./low-light";
export { STC_CELL_C, temperatureFactor } from "./power";
export {
  type EfficiencyGrid,
  efficiencyGrid,
  gridEfficiency,
  matrixHeat,
  matrixLightTable,
  type PowerMatrix,
} from "./power-matrix";
export {
  ASHRAE_B0,
  ashrae,
  COATED_GLASS,
  diffuseModifier,
  fresnel,
  type Glass,
  incidenceModifier,
  MARTIN_RUIZ_AR,
  martinRuiz,
  type PlaneReflection,
  planeReflection,
  type ReflectionModel,
} from "./reflection";
export {
  currentA,
  type DiodeParameters,
  diodeAt,
  type OperatingPoint,
  openCircuitV,
  operatingPoint,
  type ReferenceParameters,
} from "./single-diode";
export { LAST_ROOT_PLACE, LOW_LIGHT_WM2, ROOT_STEPS, weakLight, weakLightTable } from "./weak-light-table";
