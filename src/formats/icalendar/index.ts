export { writeReminders, type YearlyReminder } from "./write-reminders";
