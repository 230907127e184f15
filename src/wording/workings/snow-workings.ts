import type { AlbedoGain, StormReport } from "@/core/yield";
import { number } from "../format";
import type { Working } from "./working";

/** What a storm cost and what clearing would have brought. */
export const stormWorking = (storm: StormReport, tiltDeg: number, isTyped = false): Working => ({
  title: `Snow of ${new Date(storm.fromUtcMs).toISOString().slice(isTyped ? 5 : 0, 10)}`,
  value: number(storm.clearingKwh, 1),
  unit: "kWh brought by clearing",
  formula: "lost if left alone − lost until cleared, twelve hours after the fall's end",
  inputs: [
    {
      name: "Fell",
      value: `${number(storm.depthCm)} cm at ${number(storm.fallTempC, 1)} °C (${storm.kind})`,
      from: isTyped ? "typed; air while it fell by its kind" : "snow depth and thermometer",
    },
    {
      name: "Three days after",
      value: Number.isNaN(storm.afterTempC) ? "as the weather has it" : `${number(storm.afterTempC, 1)} °C`,
      from: isTyped ? "typed" : "thermometer",
    },
    { name: "Lay", value: `${number(storm.lyingHours)} h`, from: `a cover that slides at ${number(tiltDeg)}°` },
    {
      name: "Lost if left alone",
      value: `${number(storm.lostKwh, 1)} kWh`,
      from: "the chain without snow × share covered, until gone or the next fall",
    },
  ],
  source: "Marion, Schaefer, Caine & Sanchez, 2013, Measured and modeled photovoltaic system energy losses from snow.",
  assumptions: [
    "A fall of 1 cm in an hour covers the array whole.",
    ...(isTyped ? ["It lies from the evening of its day; the sun after it is that of the years, or the usual year, of this bench."] : []),
    "Wet: it fell at −1 °C or warmer; it clings and is heavy.",
    "At the meter, this array alone.",
  ],
});

/** What clearing a covered array on a day brings in the weather of one year. */
export const clearingWorking = (year: string, gainKwh: number, days: number, tiltDeg: number): Working => ({
  title: `Clearing, in the weather of ${year}`,
  value: number(gainKwh, 1),
  unit: "kWh",
  formula: "Σ of the energy that the cover would have taken from nine in the morning until it had slid off, or the next fall came",
  inputs: [
    { name: "Would have lain", value: `${number(days, 1)} days`, from: `sliding at ${number(tiltDeg)}°: sun and air of that year` },
    { name: "Energy without snow", value: "the chain, hour by hour", from: `the book's weather of ${year}` },
  ],
  source: "Marion, Schaefer, Caine & Sanchez, 2013, Measured and modeled photovoltaic system energy losses from snow.",
  assumptions: ["The array is covered whole that morning.", "At the meter, this array alone."],
});

/** What snow on the ground adds in one month. */
export const albedoWorking = (month: string, m: number, gains: readonly AlbedoGain[]): Working => ({
  title: `Snow's light in ${month}`,
  value: gains.map(({ gainKwh }) => number(gainKwh[m]!, 1)).join(", "),
  unit: "kWh",
  formula: "month with the ground as it was − month with the book's albedo, snow on the modules left out of both",
  inputs: gains.map(({ tiltDeg, gainKwh, bareKwh }) => ({
    name: `${number(tiltDeg)}° from flat`,
    value: `${number(bareKwh[m]!, 1)} + ${number(gainKwh[m]!, 1)} kWh`,
    from: "two runs of the chain, mean of the record's years",
  })),
  source:
    "Warren, 1982, Optical properties of snow (fresh 0.85, ageing toward 0.4); Liu & Jordan, 1963 (ground in the view of a tilted plane).",
  assumptions: [
    "Snow lies all around as the depth gauge says.",
    "Rear sides of two-sided modules are part of the chain where the book has them.",
  ],
});
