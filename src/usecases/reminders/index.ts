export { bookReminders, remindersFile } from "./book-reminders";
export { tiltReminders } from "./tilt-reminders";
