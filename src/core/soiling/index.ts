export { cleaningGains, type DirtyDay } from "./cleaning-value";
export { fillKimber } from "./kimber";
