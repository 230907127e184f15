export { type AttributionInput, attribute, attributeStepwise, USUAL_DRAWS } from "./attribute";
export { extendAttribution } from "./extend";
export type { AttributionRun, AttributionStore } from "./ports";
export { type AttributionPorts, currentAttribution, runForPage, runWaiting } from "./run";
