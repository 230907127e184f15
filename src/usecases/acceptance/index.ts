export { capacityOf } from "./capacity";
export type { Days } from "./columns";
export { guaranteeOf } from "./guarantee";
export { askTest, canonical, keepTest, type Repeated, removeTest, repeatTest, type TestPorts } from "./keep";
export { type MeasuredTest, measuredTest, type TestAsked } from "./measured-test";
export type { AcceptanceStore } from "./ports";
