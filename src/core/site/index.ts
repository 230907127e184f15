export { asSaid, plantBasis } from "./assumed";
export { ASSUMPTIONS, type Assumption } from "./assumption";
export { circuitOf } from "./circuit";
export { type EntryEffect, entryEffect, type ModelEntry } from "./entry-effect";
export { type ArrayLayout, arrayLayout, arrayPlace, moduleSizeM, type PlacedArray, rowsOf } from "./layout";
export { isOnePlane, largestArray, lightPlaneOf } from "./light-plane";
export { LIGHT_DOUBTS, LIGHT_SOURCES, type LightDoubt, type LightSource } from "./light-source";
export { type FieldClash, type FieldMerge, mergeFields, withField } from "./merge-fields";
export { type GridOrder, gridInOrder, inNaturalOrder, type ModulePlace, modulePlaces, PLAIN_ORDER } from "./module-grid";
export { arrayNameplateW, meanNameplateW, nameplateW, siteAcRatedW } from "./nameplate";
export {
  BATTERY_KINDS,
  type Battery,
  type BatteryKind,
  CHARGING_OVER_NAME,
  type ChargeController,
  isOffGrid,
  mostChargingW,
} from "./off-grid";
export { partOfSite } from "./part-of-site";
export { mergeChange, siteOn } from "./revision";
export { type SiteSegment, siteSegments } from "./segments";
export { type KnownCircuit, knownCircuit } from "./spot-module";
export type {
  AgeingTerms,
  DatedSum,
  FixedLosses,
  HeatDerating,
  HorizonPoint,
  Inverter,
  LightPlane,
  Meter,
  MeteringPoint,
  ModelChoices,
  ModuleType,
  MoneyTerms,
  Obstacle,
  ObstacleKind,
  ObstacleShape,
  Place,
  PvArray,
  Rack,
  Revision,
  ShadeRule,
  Site,
  SiteObstacle,
  SoilingTerms,
  Tariff,
  TiltChange,
  Warranty,
} from "./types";
