import { createEvents, type EventAttributes } from "ics";

/** Something to do on a day of every year. */
export interface YearlyReminder {
  /** Day of the year ("03-20"). */
  readonly day: string;
  readonly title: string;
  readonly text: string;
  /** Names the event among others, so that a second import replaces the first. */
  readonly uid: string;
}

/** Reminders as an iCalendar file: whole-day events that return every year, with an alarm a week and a day before. Source: RFC 5545. */
export function writeReminders(calendar: string, firstYear: number, reminders: readonly YearlyReminder[]): string {
  const { error, value } = createEvents(
    reminders.map(({ day, title, text, uid }): EventAttributes => {
      const [month, date] = day.split("-").map(Number) as [number, number];
      return {
        uid,
        title,
        description: text,
        start: [firstYear, month, date],
        duration: { days: 1 },
        recurrenceRule: "FREQ=YEARLY",
        calName: calendar,
        productId: "-//Dusty Ledger//Tilt planner//EN",
        alarms: [
          { action: "display", description: `In a week: ${title}`, trigger: { days: 7, before: true } },
          { action: "display", description: `Tomorrow: ${title}`, trigger: { days: 1, before: true } },
        ],
      };
    }),
  );
  if (error || !value) throw new Error("The reminders can't be written", { cause: error });
  return value;
}
