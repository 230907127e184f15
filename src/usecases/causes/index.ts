export { type CausesInput, openCauses, USUAL_DRAWS } from "./open-causes";
