export { type BillFault, billFaults } from "./bill-checks";
export { averagePrice, type BillMonth, billMonths, estimateMissing, later } from "./bill-months";
export { type EnergyShares, energyShares, type PromiseProgress, promiseProgress } from "./shares";
export type { BillLine } from "./types";
