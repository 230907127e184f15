import { z } from "zod";
import { say } from "@/wording/validation";

/** Some modules of one kind in a string, all alike: how many, which, how they lie, and what light reaches their groups. */
export const mixedPartSchema = z.strictObject({
  module: z.string(),
  count: z.number().int().min(1, say.atLeastOneModule).max(60, say.atMost60ModulesInOne),
  tiltDeg: z.number().min(0).max(90),
  azimuthDeg: z.number().min(0).max(360),
  /** Share of the light that reaches each bypassed group, 0 to 1. */
  groupLightFrac: z.array(z.number().min(0).max(1)).min(1).max(6),
  irradianceWm2: z.number().min(0).max(1800),
  cellTempC: z.number().min(-40, say.cellsStayAbove40C).max(110, say.cellsStayBelow110CIs),
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
          message: say.stringHasModulesInSeriesNo(s + 1, count),
        });
    });
  });
export type MixedStrings = z.output<typeof mixedStringsSchema>;

/** Strings as they are set on the bench: so many alike, and what one of them is made of. */
export const mixedGroupsSchema = z
  .array(z.strictObject({ alike: z.number().int().min(1).max(12), parts: z.array(mixedPartSchema).min(1).max(12) }))
  .min(1)
  .max(12);
export type MixedGroups = z.output<typeof mixedGroupsSchema>;
