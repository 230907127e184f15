export { type BootstrapInterval, blockBootstrap } from "./block-bootstrap";
export { medianAmong } from "./median-among";
export { MEDIAN_TO_MEAN_ERROR, medianError, Z_90, Z_95 } from "./normal";
export { normalFrom, seededUniform } from "./random";
export { type RidgeColumn, type RidgeFit, robustRidge } from "./ridge";
export { medianOf, quantileOf, spreadOf } from "./robust";
export { selected } from "./selected";
export { type SenTerms, senSlope } from "./sen-slope";
export { togetherOf } from "./together";
