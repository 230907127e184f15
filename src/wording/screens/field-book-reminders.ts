import { catalogue } from "../catalogue";

/** What the screens of field, book, reminders say. */
export const say = catalogue({
  overdue: (what: string) => `Overdue: ${what}.`,
  sinceDay: (title: string, day: string) => `${title}, since ${day}`,
  sinceDate: (on: string) => `overdue since ${on}`,
  next: (title: string, day: string) => `Next: ${title}, ${day}.`,
  ownDates: "Own dates",
  whatIsToDo: "What",
  onTheDay: "On",
  again: "Again",
  writeTheDate: "Write the date",
  takeOut: (what: string) => `Take out: ${what}`,
  takeItOut: "Done, take out",
  whatIsToCome: "What is to come",
  withAnAlarmAWeekAnd: ", with an alarm a week and a day before.",
  calendarFileIcalendar: "Calendar file (iCalendar)",
  nothingIsDueATiltSchedule: "Nothing is due: a tilt schedule, a warranty, an inspection or own dates would stand here.",
});
