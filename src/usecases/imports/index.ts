export { coverageOf } from "./coverage";
export { type ImportPorts, previewImport, runImport, setBatchUndone } from "./imports";
export { inspectFile, type MeteredPages } from "./inspect";
export { type DayPages, joinPages } from "./join-pages";
export type { ImportStore, NewBatch, StagedFile, Staging } from "./ports";
