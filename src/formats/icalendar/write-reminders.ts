import { createEvents, type EventAttributes } from "ics";
import { say } from "@/wording/tables";

/** Something to do on a day: once, or every so many years. */
export interface Reminder {
  /** The first date ("2026-03-20"). */
  readonly on: string;
  /** Years between two; null: once. */
  readonly everyYears: number | null;
  readonly title: string;
  readonly text: string;
  /** Names the event among others, so that a second import replaces the first. */
  readonly uid: string;
}

const ruleOf = (everyYears: number | null): string => (everyYears === 1 ? "FREQ=YEARLY" : `FREQ=YEARLY;INTERVAL=${everyYears}`);

/** Reminders as an iCalendar file: whole-day events with an alarm a week and a day before. Source: RFC 5545. */
export function writeReminders(calendar: string, reminders: readonly Reminder[]): string {
  const { error, value } = createEvents(
    reminders.map(({ on, everyYears, title, text, uid }): EventAttributes => {
      const [year, month, date] = on.split("-").map(Number) as [number, number, number];
      return {
        uid,
        title,
        description: text,
        start: [year, month, date],
        duration: { days: 1 },
        ...(everyYears === null ? {} : { recurrenceRule: ruleOf(everyYears) }),
        calName: calendar,
        productId: "-//Dusty Ledger//Reminders//EN",
        alarms: [
          { action: "display", description: say.inAWeek(title), trigger: { days: 7, before: true } },
          { action: "display", description: `Tomorrow: ${title}`, trigger: { days: 1, before: true } },
        ],
      };
    }),
  );
  if (error || !value) throw new Error("The reminders can't be written", { cause: error });
  return value;
}
