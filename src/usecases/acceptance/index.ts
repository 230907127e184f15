export { capacityOf } from "./capacity";
export type { Days } from "./columns";
export { checkEvidence, type EvidencePorts, evidenceOf } from "./evidence";
export { guaranteeOf } from "./guarantee";
export { askTest, keepTest, type Repeated, removeTest, repeatTest, type TestPorts } from "./keep";
export { type MeasuredTest, measuredTest, type TestAsked } from "./measured-test";
export type { AcceptanceStore, Signer } from "./ports";
export { furthestApart, type NotRemade, remade } from "./remake";
