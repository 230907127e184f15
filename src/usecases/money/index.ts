export { type BillsInput, billsReport } from "./bills-report";
export { planComparison } from "./compare-plans";
export { keepBills } from "./keep-bills";
export { type MoneyPage, moneyPage } from "./money-page";
export type { BillStore } from "./ports";
