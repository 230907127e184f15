export { DEMO_BOOKS, type DemoBook } from "./demo";
export { type Faults, misbehave } from "./faults";
export { type PlantRecord, recordOf } from "./record";
