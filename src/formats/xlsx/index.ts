export { isZip, sheetRows } from "./read-sheet";
