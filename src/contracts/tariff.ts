import { z } from "zod";
import { say } from "@/wording/validation";
import { frac, isDay, isOwnName, isoDate, price } from "./primitives";

const hour = z
  .number()
  .min(0)
  .max(24)
  .refine((value) => Number.isInteger(value * 4), say.hoursGoByQuarters1414);
const hours = z
  .array(z.tuple([hour, hour]))
  .max(12)
  .default([]);
const days = z.enum(["all", "weekdays", "weekends"]).default("all");
const name = z.string().trim().min(1, say.giveItAName).max(60).refine(isOwnName, say.isAWordOfTheProgram);

const tierSchema = z.strictObject({ upToKwh: z.number().gt(0, say.aTierEndsAbove0Kwh).nullable().default(null), perKwh: price });

export const bandSchema = z.strictObject({
  name,
  days,
  /** Empty: all hours that no other band of the season holds. */
  hours,
  tiers: z.array(tierSchema).min(1, say.aBandHasAPrice).max(8),
});

export const seasonSchema = z.strictObject({
  name,
  months: z.array(z.number().int().min(1).max(12)).min(1, say.aSeasonHasMonths).max(12),
  bands: z.array(bandSchema).min(1, say.aSeasonHasABand).max(8),
});

/** A way of charging for energy; checks across bands and seasons are the core's `planFaults`. */
export const planSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name,
  from: isoDate,
  to: isoDate.nullable().default(null),
  fixedPerMonth: price.default("0"),
  fixedPerDay: price.default("0"),
  minimumPerMonth: price.nullable().default(null),
  seasons: z.array(seasonSchema).min(1, say.aPlanHasASeason).max(12),
  holidays: z
    .array(
      z
        .string()
        .regex(/^(\d{4}-)?(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, say.writeAHolidayAs1225)
        .refine((day) => isDay(day.length > 5 ? day : `2024-${day}`), say.thereIsNoSuchDay),
    )
    .max(200)
    .default([]),
  demand: z.strictObject({ perKw: price, days, hours }).nullable().default(null),
  levies: z
    .array(z.strictObject({ name, perKwh: price }))
    .max(10)
    .default([]),
  taxes: z.array(z.strictObject({ name, frac })).max(10).default([]),
  credit: z
    .strictObject({
      kind: z.enum(["none", "net-metering", "net-billing", "feed-in"]).default("none"),
      perKwh: price.nullable().default(null),
      trueUpMonth: z.number().int().min(1).max(12).nullable().default(null),
      trueUpPerKwh: price.nullable().default(null),
    })
    .prefault({}),
  risePerYearFrac: z.number().min(-0.2).max(0.5, say.isAShareWrite3As).default(0),
  wholeKwh: z.boolean().default(true),
});
export type PlanDocument = z.output<typeof planSchema>;
