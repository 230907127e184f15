import { z } from "zod";

/** Whole months that each meter of a book counted, kWh. */
export const meterMonthsSchema = z.array(
  z.strictObject({ meterId: z.string(), months: z.array(z.strictObject({ key: z.string().regex(/^\d{4}-\d\d$/), kwh: z.number() })) }),
);
export type MeterMonths = z.output<typeof meterMonthsSchema>;
