export type { CleanPhoto, EntryStore, EntryToKeep, PhotoCleaner } from "./ports";
export { type FieldBookPorts, photoTooLarge, removeEntry, writeEntry } from "./write-entry";
