import { z } from "zod";
import type { LoadDoubt, NamedDoubt } from "@/core/loads";
import { say } from "@/wording/validation";

/** Appliances and a battery, as a file and as a bench keeps them. */
export const loadsSchema = z.strictObject({
  appliances: z
    .array(
      z.strictObject({
        name: z.string().max(80),
        watts: z.number().min(0),
        count: z.number().min(0).default(1),
        hoursPerDay: z.number().min(0),
        months: z.array(z.boolean()).length(12).default(new Array<boolean>(12).fill(true)),
      }),
    )
    .min(1),
  battery: z.strictObject({
    capacityKwh: z.number().min(0),
    voltageV: z.number().min(0),
    usableFrac: z.number().min(0).max(1).default(0.8),
    roundTripFrac: z.number().positive().max(1).default(0.9),
    chargerMaxA: z.number().min(0).nullable().default(null),
  }),
});

const WORDS: Readonly<Record<LoadDoubt, (name: string, value: number) => string>> = {
  "kilowatts-as-watts": (name, value) => say.wLooksLikeKwPowerStands(name, value, Math.round(value * 1000)),
  "kilowatt-hours-as-watts": (name, value) => say.wIsMoreThanAHouse(name, value),
  "more-than-a-day": (name, value) => say.hoursADayADayHas(name, value),
  "nothing-used": () => say.nothingIsUsedYetGiveWatts,
  "battery-in-ampere-hours": (_name, value) => say.aBatteryOfKwhAtThis(value),
};

/** A figure that looks like another unit, for people: what stands there, and what to write. */
export const loadDoubtInWords = ({ doubt, name, value }: NamedDoubt): string => WORDS[doubt](name || "An appliance", value);
