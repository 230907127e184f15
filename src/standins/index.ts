export { DEMO_BOOKS, type DemoBook } from "./demo";
export { type PlantRecord, recordOf } from "./record";
