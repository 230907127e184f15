import { z } from "zod";
import { isoDate } from "./primitives";

export const reminderKinds = ["tilt", "cleaning", "inspection", "insurance", "warranty", "own"] as const;

/** Something to do or to think of on a date. */
export const reminderSchema = z.strictObject({
  kind: z.enum(reminderKinds),
  on: isoDate,
  everyYears: z.number().int().positive().nullable(),
  title: z.string(),
  text: z.string(),
});
export type ReminderRow = z.output<typeof reminderSchema>;
