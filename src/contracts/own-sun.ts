import { z } from "zod";

/** Light on the level that the book's own meter makes, kWh/m2 a month, January first; null where it can't be told. */
export const ownSunSchema = z.strictObject({
  ghiKwhM2: z.array(z.number().nullable()).length(12),
  /** Months of the year that were counted whole. */
  countedMonths: z.int(),
});
export type OwnSun = z.output<typeof ownSunSchema>;
