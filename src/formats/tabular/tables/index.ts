export { namedMonth, readForeignTime, readMonthAlone, readTimeOfDay } from "./cell-time";
export { isUnit, meaningOf, unitOf } from "./column-words";
export { detectMapping } from "./detect";
export type { Detection, DetectionContext } from "./draft";
export { openTable, type TableSource } from "./source";
