import { z } from "zod";
import { say } from "@/wording/validation";
import { dayOfYearSchema, tiltSchema } from "./site";

/** Tilt changes in an address: "03-24:17,09-24:52.5". */
export const tiltStepsSchema = z
  .string()
  .regex(/^\d\d-\d\d:[\d.]+(,\d\d-\d\d:[\d.]+)*$/, say.writeStepsAs032417)
  .transform((text) => text.split(",").map((step) => ({ from: step.slice(0, 5), tiltDeg: Number(step.slice(6)) })))
  .pipe(
    z
      .array(z.strictObject({ from: dayOfYearSchema, tiltDeg: tiltSchema }))
      .min(1)
      .max(24),
  );

export const writeTiltSteps = (steps: readonly { readonly from: string; readonly tiltDeg: number }[]): string =>
  steps.map(({ from, tiltDeg }) => `${from}:${tiltDeg}`).join(",");

export const tiltCalendarSchema = z.strictObject({ array: z.string().min(1).max(60), steps: tiltStepsSchema });
