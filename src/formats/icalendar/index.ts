export { type Reminder, writeReminders } from "./write-reminders";
