import { z } from "zod";

const daily = z.array(z.number().nullable());

/** A made-up month to practise on, with what it really was. */
export const trainerCaseSchema = z.strictObject({
  id: z.string(),
  title: z.string(),
  question: z.string(),
  lesson: z.string(),
  month: z.string(),
  days: z.array(z.string()),
  expectedKwh: daily,
  meteredKwh: daily,
  rainMm: daily,
  snowCm: daily.nullable(),
  answer: z.enum(["snow", "soiling", "downtime", "dataGap", "none"]),
  answerKwh: z.number(),
  missingKwh: z.number(),
});
export type TrainerCase = z.output<typeof trainerCaseSchema>;
export const trainerCasesSchema = z.array(trainerCaseSchema);
