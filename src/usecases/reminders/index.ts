export { tiltReminders } from "./tilt-reminders";
