export { coverageOf } from "./coverage";
export { doFileJob, type FileJob, type FileNews, type FileReader } from "./file-jobs";
export { type ImportPorts, previewImport, runImport, setBatchUndone } from "./imports";
export { type Inspection, inspectFile } from "./inspect";
export { type DayPages, joinPages, type MeteredPages } from "./join-pages";
export type { MeteredSparse } from "./metered-sparse";
export { asModuleEnergies } from "./module-files";
export type { ImportStore, MappingStore, NewBatch, StagedFile, Staging } from "./ports";
