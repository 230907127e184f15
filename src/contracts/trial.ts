import { z } from "zod";
import { say } from "@/wording/validation";
import { identifier, isoDate } from "./primitives";

/** Two meters set against each other, over a stretch of local days. */
export const trialQuestionSchema = z
  .strictObject({
    a: identifier,
    b: identifier,
    from: isoDate.nullable().default(null),
    to: isoDate.nullable().default(null),
  })
  .refine(({ a, b }) => a !== b, { message: say.chooseTwoDifferentMetersASide, path: ["b"] })
  .refine(({ from, to }) => from === null || to === null || from <= to, { message: say.theLastDayLiesBeforeThe, path: ["to"] });
export type TrialQuestion = z.output<typeof trialQuestionSchema>;

/** An intervention on a date, and how many days on each side of it to look at. */
export const changeQuestionSchema = z.strictObject({
  on: isoDate,
  /** Meter whose output is read; empty for the whole site. */
  meter: z.string().max(60).default(""),
  days: z.coerce.number().int().min(5, say.atLeast5DaysOnEach).max(1100, say.atMostThreeYearsOnEach).default(365),
});
export type ChangeQuestion = z.output<typeof changeQuestionSchema>;

/** Days of a meter with what the site as it stood before should have given. */
export const changeDaysSchema = z.strictObject({
  on: isoDate,
  before: z.array(z.strictObject({ date: isoDate, meteredKwh: z.number(), expectedKwh: z.number() })),
  after: z.array(z.strictObject({ date: isoDate, meteredKwh: z.number(), expectedKwh: z.number() })),
  /** Days left out, and why. */
  leftOut: z.strictObject({ unread: z.number().int(), dim: z.number().int(), still: z.number().int(), day: z.number().int() }),
});
export type ChangeDays = z.output<typeof changeDaysSchema>;

/** Two readings minutes apart: a module flat and tilted. */
export const shortPairSchema = z.strictObject({
  at: z
    .string()
    .regex(/^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}$/, say.writeDateAndTimeAs2026)
    .transform((text) => text.replace(" ", "T")),
  tiltADeg: z.number().min(0, say.aTiltLiesBetween0And).max(90, say.aTiltLiesBetween0And),
  tiltBDeg: z.number().min(0, say.aTiltLiesBetween0And).max(90, say.aTiltLiesBetween0And),
  readA: z.number().min(0, say.aReadingCantBeNegative),
  readB: z.number().min(0, say.aReadingCantBeNegative),
});
export type ShortPairInput = z.output<typeof shortPairSchema>;

export const TRIAL_DRAWS = 2000;
export const TRIAL_SEED = 7_031;
