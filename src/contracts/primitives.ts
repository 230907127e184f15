import { z } from "zod";
import { say } from "@/wording/validation";
import { FIRST_YEAR, LAST_YEAR, type Limit, MOST_INTEGER } from "./limits";

export const frac = z.number().min(0, say.aShareLiesBetween0And).max(1, say.aShareLiesBetween0And2);

const inOurTime = (date: string): boolean => Number(date.slice(0, 4)) >= FIRST_YEAR && Number(date.slice(0, 4)) <= LAST_YEAR;
/** A day of the calendar, in our time. */
export const isoDate = z.iso.date(say.writeADateAs201904).refine(inOurTime, say.aDateLiesBetween(FIRST_YEAR, LAST_YEAR));

/** A day of any year, leap days among them. */
export const dayOfYearSchema = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, say.writeADayOfTheYear)
  .refine((day) => isDay(`2024-${day}`), say.thereIsNoSuchDay);

/** Whether a date is one of the calendar: 31 February is none. */
export function isDay(date: string): boolean {
  const utcMs = Date.parse(`${date}T00:00:00Z`);
  return !Number.isNaN(utcMs) && new Date(utcMs).toISOString().startsWith(date);
}

/** A name that is a key of what it names. Words that every object of the program has are no names: they would be found where nothing was written. */
export const isOwnName = (name: string): boolean => !(name in {});
/** The same, as a key of so many letters at most. */
export const plainKey = (most: number) => z.string().max(most).refine(isOwnName, say.isAWordOfTheProgram);
export const identifier = z.string().trim().min(1, say.cantBeEmpty).max(60).refine(isOwnName, say.isAWordOfTheProgram);

/** Values by name; a name that can't be one is told in its own words. */
export const byName = <V extends z.ZodType>(name: z.ZodString, value: V) =>
  z.record(name, value, {
    error: (issue) => (issue.code === "invalid_key" ? (issue.issues as readonly { message: string }[])[0]?.message : undefined),
  });

/** At most so many of a list. */
export const upTo = <T extends z.ZodType>(item: T, { most, what }: Limit) => z.array(item).max(most, say.atMostOf(most, what));

/** A version or a key, as the database holds them. */
export const wholeNumber = z.number().int().min(0).max(MOST_INTEGER);
/** The same, in an address. */
export const numberInAddress = z.coerce.number().int().min(1).max(MOST_INTEGER);

/** Money is a decimal numeral, so that no binary rounding ever enters a stored sum. */
export const decimalAmount = z.string().regex(/^-?\d{1,12}(\.\d{1,8})?$/, say.writeMoneyAsADecimalNumeral);
export const price = z.string().regex(/^\d{1,6}(\.\d{1,8})?$/, say.writeAPriceAsADecimal);
