export { arrayNameplateW, nameplateW, siteAcRatedW } from "./nameplate";
export { mergeChange, siteOn } from "./revision";
export { type SiteSegment, siteSegments } from "./segments";
export type {
  AgeingTerms,
  DatedSum,
  FixedLosses,
  Inverter,
  Meter,
  MeteringPoint,
  ModelChoices,
  ModuleType,
  MoneyTerms,
  Obstacle,
  Place,
  PvArray,
  Revision,
  Site,
  SoilingTerms,
  Tariff,
  TiltChange,
} from "./types";
