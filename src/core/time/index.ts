export { type CalendarBins, dayBins, intervalsOf, monthBins } from "./calendar-bins";
export { readWallClock, utcOfWall, type WallMs, type WallReading } from "./wall-clock";
export { yearName } from "./year-name";
export { isTimeZone, type ZoneOffset, zoneOffset } from "./zone-offset";
