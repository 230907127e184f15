import { z } from "zod";
import type { LoadDoubt, NamedDoubt } from "@/core/loads";

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
  "kilowatts-as-watts": (name, value) =>
    `${name}: ${value} W looks like kW. Power stands in watts here: write ${Math.round(value * 1000)}.`,
  "kilowatt-hours-as-watts": (name, value) =>
    `${name}: ${value} W is more than a house takes. Is it watt-hours a day? Power in W and hours a day stand apart here.`,
  "more-than-a-day": (name, value) => `${name}: ${value} hours a day; a day has 24.`,
  "nothing-used": () => "Nothing is used yet: give watts, how many and hours a day.",
  "battery-in-ampere-hours": (_name, value) =>
    `A battery of ${value} kWh at this voltage is more than a small site has: if it is ${value} Ah, write Ah × V ÷ 1000 as kWh.`,
};

/** A figure that looks like another unit, for people: what stands there, and what to write. */
export const loadDoubtInWords = ({ doubt, name, value }: NamedDoubt): string => WORDS[doubt](name || "An appliance", value);
