import { z } from "zod";

/** Years that one question may ask. */
const MOST_YEARS = 12;
const year = z.coerce.number().int().min(1970).max(2100);

/** Which country's public holidays, from one year to another. */
export const holidayQuestionSchema = z
  .strictObject({ country: z.string().regex(/^[A-Z]{2}$/), from: year, to: year })
  .refine(({ from, to }) => from <= to && to - from < MOST_YEARS, { path: ["to"] });
export type HolidayQuestion = z.output<typeof holidayQuestionSchema>;

/** "12-25" where a day is a holiday of every asked year, else with its year. */
export const holidayAnswerSchema = z.strictObject({ days: z.array(z.string()).max(400) });
export type HolidayAnswer = z.output<typeof holidayAnswerSchema>;

/** Countries whose holidays are known, ISO 3166-1 alpha-2. */
export const holidayCountriesSchema = z.array(z.string());
