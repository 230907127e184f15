export { MISSING, type NumberGrammar, sniffNumbers, toNumber } from "./cell-number";
export { namedMonth, readForeignTime, readMonthAlone, readTimeOfDay } from "./cell-time";
export { isUnit, meaningOf, unitOf } from "./column-words";
export { type Detection, type DetectionContext, detectMapping } from "./detect";
export { openTable, type TableSource } from "./source";
