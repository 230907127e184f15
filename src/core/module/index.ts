export { type AgeingRate, ageInYears, ageingFactor } from "./ageing";
export { faiman, HEAT_LOSS, type HeatLoss, type Mounting } from "./cell-temperature";
export { HULD_CRYSTALLINE_SI, type HuldCoefficients, huldEfficiency, lowLightFactor } from "./low-light";
export { STC_CELL_C, temperatureFactor } from "./power";
export {
  ASHRAE_B0,
  ashrae,
  diffuseModifier,
  type IncidenceModifier,
  incidenceModifier,
  MARTIN_RUIZ_AR,
  martinRuiz,
  type ReflectionModel,
} from "./reflection";
