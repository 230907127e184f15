export { calibrationsOf, cleaningsOf, limitsOf } from "./days-of";
export type { CleanPhoto, EntryStore, EntryToKeep, PhotoCleaner } from "./ports";
export { addEntries, type FieldBookPorts, photoTooLarge, removeEntry, writeEntry } from "./write-entry";
