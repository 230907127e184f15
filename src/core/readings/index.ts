export { energyKwh, type ProductionQuantity } from "./energy";
export { type SettledReadings, settleReadings } from "./settle";
