import { z } from "zod";

/** What is asked: the beginning of a town's name, with its country behind a comma. */
export const townQuestionSchema = z.string().max(80);

export const townSchema = z.strictObject({
  name: z.string(),
  /** ISO 3166-1 alpha-2. */
  country: z.string(),
  latitudeDeg: z.number(),
  longitudeDeg: z.number(),
  timeZone: z.string(),
});
export type Town = z.output<typeof townSchema>;
export const townsAnswerSchema = z.array(townSchema);
