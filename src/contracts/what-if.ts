import { z } from "zod";
import type { WhatIf } from "@/core/yield";
import { say } from "@/wording/validation";
import { wholeNumber } from "./primitives";
import { modelChoices, mountings } from "./site";

/** A what-if as it is kept in the book; the ranges are those of the site document. */
export const whatIfSchema = z.strictObject({
  arrayId: z.string().max(60).nullable().default(null),
  tiltDeg: z.number().min(0).max(90).optional(),
  azimuthDeg: z.number().min(0).lt(360).optional(),
  mounting: z.enum(mountings).optional(),
  module: z.string().max(60).optional(),
  count: z.int().positive().max(1_000_000).optional(),
  acRatedW: z.number().gt(0).max(1e9).optional(),
  soilingFrac: z.number().min(0).max(1).optional(),
  albedo: z.number().min(0).max(1).optional(),
  models: z
    .strictObject({
      decomposition: z.enum(modelChoices.decomposition).optional(),
      transposition: z.enum(modelChoices.transposition).optional(),
      reflection: z.enum(modelChoices.reflection).optional(),
      cellTemperature: z.enum(modelChoices.cellTemperature).optional(),
      power: z.enum(modelChoices.power).optional(),
      soiling: z.enum(modelChoices.soiling).optional(),
      snow: z.enum(modelChoices.snow).optional(),
      inverter: z.enum(modelChoices.inverter).optional(),
      subHourlyClipping: z.enum(modelChoices.subHourlyClipping).optional(),
    })
    .optional(),
});

/** This line fails to compile when contract and core drift apart. */
export const asWhatIf = (kept: z.output<typeof whatIfSchema>): WhatIf => kept;

export const newVariantSchema = z.strictObject({
  name: z.string().trim().min(1, say.giveTheVariantAName).max(60),
  whatIf: whatIfSchema,
  /** Version of the variant of that name whose place it takes; null where there is none. */
  over: wholeNumber.nullable().default(null),
});
export type NewVariant = z.output<typeof newVariantSchema>;

/** A what-if kept in the book under a name. */
export const variantSchema = z.strictObject({ id: z.int(), version: z.int(), ...newVariantSchema.omit({ over: true }).shape });
export type Variant = z.output<typeof variantSchema>;
