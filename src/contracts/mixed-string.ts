import { z } from "zod";

/** Some modules of one kind in a string, all alike: how many, which, how they lie, and what light reaches their groups. */
export const mixedPartSchema = z.strictObject({
  module: z.string(),
  count: z.number().int().min(1, "at least one module").max(60, "at most 60 modules in one string: no input bears more (1,500 V)"),
  tiltDeg: z.number().min(0).max(90),
  azimuthDeg: z.number().min(0).max(360),
  /** Share of the light that reaches each bypassed group, 0 to 1. */
  groupLightFrac: z.array(z.number().min(0).max(1)).min(1).max(6),
  irradianceWm2: z.number().min(0).max(1800),
  cellTempC: z.number().min(-40, "cells stay above −40 °C").max(110, "cells stay below 110 °C: is it in °F?"),
});
export type MixedPart = z.output<typeof mixedPartSchema>;

export const mixedStringsSchema = z
  .array(z.array(mixedPartSchema).min(1))
  .min(1)
  .max(12)
  .superRefine((strings, context) => {
    strings.forEach((parts, s) => {
      const count = parts.reduce((sum, part) => sum + part.count, 0);
      if (count > 60)
        context.addIssue({
          code: "custom",
          path: [s],
          message: `string ${s + 1} has ${count} modules in series: no input bears more than about 60 (1,500 V). Split it into strings side by side.`,
        });
    });
  });
export type MixedStrings = z.output<typeof mixedStringsSchema>;
