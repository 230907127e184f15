export {
  type Basis,
  ENERGY_BASES,
  type EnergyBasisKind,
  isUsual,
  PLANT_BASES,
  type PlantBasis,
  TARIFF_BASES,
  type TariffBasis,
  WEATHER_BASES,
  type WeatherBasis,
  weaker,
} from "./basis";
export { ANSWERS, type Answer, mayBeSaid, type Permission, type Ruling, type ToBring } from "./what-may-be-said";
