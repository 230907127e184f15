export { actualRun, causesOf } from "./actual-run";
export { type CauseBasis, causeBasis, HEALTHY, type Resolution } from "./basis";
export { rainByDay } from "./dirt-law";
export {
  ageingRateOf,
  ceilingKwhOf,
  type Evidence,
  type EvidenceInput,
  gatherEvidence,
  type RunEvidence,
  seekEvidence,
} from "./evidence";
export { type ExtendInput, extendEvidence } from "./extend";
export { type CauseFinding, type CauseKind, causeFindings, causeKinds, datedFindings } from "./findings";
export { type CauseLaws, lawsOf } from "./laws";
export { type FittedAngle, type OrientationEvidence, orientationEvidence } from "./orientation";
export type { Outage } from "./outages";
export { type ShadeEvidence, type SkyField, shadeEvidence } from "./shade-map";
export { type SnowEvidence, type SnowSpell, snowEvidence } from "./snow";
export { type SoilingEvidence, type SoilingReset, soilingEvidence } from "./soiling";
export { type StringsOut, stringsOut } from "./strings-out";
export { turnedSite } from "./turned-site";
