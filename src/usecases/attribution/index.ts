export { extendCauses } from "./extend-causes";
export { type CausesInput, openCauses, seekCauses, USUAL_DRAWS } from "./open-causes";
export type { CauseRun, CauseStore } from "./ports";
export { type CausePorts, causesNow, runForPage, runWaiting } from "./run-causes";
