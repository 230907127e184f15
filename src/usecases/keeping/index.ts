export { type KeepingGround, keep, postingsOf } from "./keep";
export type { KeepingStore } from "./ports";
