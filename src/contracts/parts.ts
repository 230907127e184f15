import { z } from "zod";

const interval = z.strictObject({ value: z.number(), low: z.number(), high: z.number() });

/** What the readings say of a part of a plant: arrays with a meter of their own, or told apart by the hours at which they have their sun. */
export const partReportSchema = z.strictObject({
  /** The meter, or the first array. */
  id: z.string(),
  source: z.enum(["meter", "hours"]),
  /** Names of its arrays. */
  arrays: z.array(z.string()),
  years: z.number(),
  /** Share of the first output lost a year with its 95 % interval; null where it can't be told. */
  perYearFrac: z.number().nullable(),
  low: z.number().nullable(),
  high: z.number().nullable(),
  isTooSoon: z.boolean(),
  /** What its rate says to the guaranteed one; null where there is no rate or no warranty. */
  rateVerdict: z.enum(["slower", "faster", "undecided", "unphysical"]).nullable(),
  /** How much faster than the other parts it ages, on the same days; null where it can't be told. */
  againstRest: interval.nullable(),
  /** Days that the reading is made of. */
  usedDays: z.number().int(),
  /** What its meter says of snow; null where no meter is its own. */
  snow: z
    .strictObject({
      days: z.number().int(),
      lostKwh: z.number(),
      falls: z.number().int(),
      /** Middle time from the first flake to bare modules, hours. */
      bareHours: z.number().nullable(),
    })
    .nullable(),
});
export type PartReport = z.output<typeof partReportSchema>;

/** How an array sheds the record's snow by the model of a sliding cover. */
export const sheddingSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  tiltDeg: z.number(),
  azimuthDeg: z.number(),
  falls: z.number().int(),
  meanHours: z.number(),
  longestHours: z.number(),
  lostKwhPerKwpYear: z.number(),
});
export type Shedding = z.output<typeof sheddingSchema>;
