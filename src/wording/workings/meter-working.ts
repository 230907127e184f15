import type { ExaminedSeries } from "@/contracts/examination";
import { number, percent } from "../format";
import type { Working } from "./working";

/** How a meter's year came about. */
export const meterYearWorking = (
  series: ExaminedSeries,
  year: string,
  { kwh, expectedKwh, readFrac }: { kwh: number; expectedKwh: number; readFrac: number },
): Working => ({
  title: `${series.meterId} in ${year}`,
  value: number(kwh),
  unit: "kWh",
  formula: "Σ days of the clean series; of expected = that sum ÷ Σ expected of each day × share of it that was read",
  inputs: [
    { name: "series", value: series.quantity, from: `meter ${series.meterId}, metering point ${series.point}` },
    {
      name: "expected of the time that was read",
      value: expectedKwh > 0 ? `${number(expectedKwh)} kWh` : "not known without weather",
      from: "chain of the Yield chapter",
    },
    { name: "read", value: percent(readFrac), from: "share of the year's intervals" },
  ],
  source: "Imported readings, with the remedies that were accepted",
  assumptions: [
    "A ratio of sums, never a mean of daily ratios.",
    "A meter that counts another point than AC is set against the same expected AC energy.",
  ],
});
