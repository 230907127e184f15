import path from "node:path";

/** Folders that tests read from, wherever the test itself stands. */
export const projectRoot = path.join(import.meta.dirname, "..");
export const fixtures = path.join(import.meta.dirname, "fixtures");
export const reference = path.join(import.meta.dirname, "reference");
