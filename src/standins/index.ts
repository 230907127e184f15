export { DEMO_BOOKS, type DemoBook } from "./demo";
export { DEMO_FEEDS, type DemoFeed, STANDIN_ORDER } from "./demo-feeds";
export { type Faults, misbehave } from "./faults";
export { LivePlant } from "./live";
export type { LiveColumn } from "./live-column";
export { type PlantRecord, recordOf } from "./record";
export { faultsOf, type Switches, switchesSchema } from "./switches";
