export { type AttributionInput, attribute, attributeStepwise, USUAL_DRAWS } from "./attribute";
export { carriedBy } from "./carried";
export { extendAttribution } from "./extend";
export { dirtOfSpan } from "./of-span";
export type { AttributionStatus, AttributionStore } from "./ports";
export { type AttributionPorts, runAttribution, runForPage } from "./run";
