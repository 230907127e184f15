import { z } from "zod";
import { isoDate } from "./primitives";

export const reminderKinds = ["tilt", "cleaning", "inspection", "insurance", "warranty", "own"] as const;

/** Something to do or to think of on a date. */
export const reminderSchema = z.strictObject({
  kind: z.enum(reminderKinds),
  on: isoDate,
  /** Its day is past, and nothing was done since. */
  isOverdue: z.boolean(),
  everyYears: z.number().int().positive().nullable(),
  facts: z.record(z.string(), z.union([z.string(), z.number()])),
});
export type ReminderRow = z.output<typeof reminderSchema>;
