import { z } from "zod";
import { say } from "@/wording/validation";

const reading = (what: string) => z.number().min(0, say.cantBeNegativeSwapTheLeads(what)).nullable();

/** One position of a spot check: light and warmth, and what the multimeter showed. */
export const spotReadingSchema = z.strictObject({
  irradianceWm2: z.number(),
  moduleTempC: z.number().nullable().default(null),
  airTempC: z.number().nullable().default(null),
  panes: z.int().min(0).max(3).default(0),
  vocV: reading(say.anOpenCircuitVoltage).default(null),
  iscA: reading(say.aShortCircuitCurrent).default(null),
  operatingV: reading(say.anOperatingVoltage).default(null),
  operatingA: reading(say.anOperatingCurrent).default(null),
});
export type SpotReadingInput = z.output<typeof spotReadingSchema>;

export const inputReadingSchema = z.strictObject({
  dcV: z.number().min(0, say.aVoltageCantBeNegative),
  dcA: z.number().min(0, say.aCurrentCantBeNegative),
  strings: z.number().int(say.stringsAreCountedWhole).min(1, say.atLeastOneStringOnAn).max(100, say.atMost100StringsOnAn),
});

/** What an inverter's display shows; what it does not show is null. */
export const inverterReadingSchema = z.strictObject({
  inputs: z.array(inputReadingSchema).max(24),
  acV: reading("a voltage").default(null),
  acA: reading("a current").default(null),
  acW: reading("a power").default(null),
  phases: z.union([z.literal(1), z.literal(3)]).default(1),
  dayKwh: reading("an energy").default(null),
  lifetimeKwh: reading("an energy").default(null),
});
