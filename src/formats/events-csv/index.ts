export { cleaningDates, EVENT_KINDS, type EventKind, type EventsFile, readEvents } from "./read-events";
