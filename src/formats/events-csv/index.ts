export { cleaningDates, EVENT_KINDS, type EventKind, type EventsFile, readEvents, type SiteEvent } from "./read-events";
