export { cleaningGains, type DirtyDay } from "./cleaning-value";
export { fillKimber } from "./kimber";
export { WASHED_FROM_DEG } from "./washed";
