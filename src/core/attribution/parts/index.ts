export { type AgainstRest, againstRest } from "./against-rest";
export { hourIndex } from "./hour-index";
export { planeGroups } from "./planes";
