import { z } from "zod";

const reading = (what: string) => z.number().min(0, `${what} can't be negative: swap the leads, or write the size alone`).nullable();

/** One position of a spot check: light and warmth, and what the multimeter showed. */
export const spotReadingSchema = z.strictObject({
  irradianceWm2: z.number(),
  moduleTempC: z.number(),
  vocV: reading("an open-circuit voltage").default(null),
  iscA: reading("a short-circuit current").default(null),
  operatingV: reading("an operating voltage").default(null),
  operatingA: reading("an operating current").default(null),
});
export type SpotReadingInput = z.output<typeof spotReadingSchema>;

export const inputReadingSchema = z.strictObject({
  dcV: z.number().min(0, "a voltage can't be negative"),
  dcA: z.number().min(0, "a current can't be negative"),
  strings: z
    .number()
    .int("strings are counted whole")
    .min(1, "at least one string on an input")
    .max(100, "at most 100 strings on an input"),
});

/** What an inverter's display shows; what it does not show is null. */
export const inverterReadingSchema = z.strictObject({
  inputs: z.array(inputReadingSchema).min(1).max(24),
  acV: reading("a voltage").default(null),
  acA: reading("a current").default(null),
  acW: reading("a power").default(null),
  phases: z.union([z.literal(1), z.literal(3)]).default(1),
  dayKwh: reading("an energy").default(null),
  lifetimeKwh: reading("an energy").default(null),
});
