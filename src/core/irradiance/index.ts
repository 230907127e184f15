export { type BeamAndDiffuse, erbs, erbsDiffuseFrac } from "./erbs";
export { fillHorizontal, type MeasuredHorizontal } from "./fill-horizontal";
export { COS_ZENITH_FLOOR, fillHayDavies, type HorizontalColumns, hayDavies, type PlaneColumns, type SkyDiffuse } from "./hay-davies";
export { type Plane, planeOf } from "./plane";
