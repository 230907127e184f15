export { attributedRun, causesOf } from "./attributed-run";
export { type ExtendInput, extendEvidence } from "./extend";
export { type CauseFinding, type CauseKind, causeFindings, causeKinds, datedFindings } from "./findings";
export { type FittedAttribution, fittedOf } from "./fitted";
export type { Outage } from "./outage/detect";
export {
  ageingRateOf,
  ceilingKwhOf,
  type Evidence,
  type EvidenceInput,
  gatherEvidence,
  type RunEvidence,
  seekEvidence,
} from "./pipeline";
export { type FittedAngle, type OrientationEvidence, orientationEvidence } from "./plane/detect";
export { siteWithOffset } from "./plane/turned-site";
export { type AttributionFrame, attributionFrame, HEALTHY, type Resolution } from "./record/frame";
export { type ShadeEvidence, type SkyField, shadeEvidence } from "./shade/detect";
export { type SnowEvidence, type SnowSpell, snowEvidence } from "./snow/detect";
export { type SoilingEvidence, type SoilingReset, soilingEvidence } from "./soiling/detect";
export { rainByDay } from "./soiling/washing";
export { type StringsOut, stringsOut } from "./strings/detect";
