export { type BillsFile, readBills } from "./read-bills";
