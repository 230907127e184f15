export { cleaningDates, EVENT_KINDS, type EventKind, type EventsFile, readEvents } from "./read-events";
export { writeEntries } from "./write-entries";
