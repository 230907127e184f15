import type { BatteryTerms, LoadMonth } from "@/core/loads";
import { number, percent } from "../format";
import type { Working } from "./working";

/** How much of a month's use the array covers. */
export const loadWorking = (month: LoadMonth, battery: BatteryTerms, name: string): Working => ({
  title: name,
  value: Number.isFinite(month.coverFrac) ? percent(month.coverFrac, 0) : "all",
  unit: "of what is needed",
  formula: "made ÷ (used by day + used by night ÷ round trip)",
  inputs: [
    { name: "Used", value: `${number(month.useKwhPerDay, 2)} kWh a day`, from: "Σ W × how many × hours ÷ 1000" },
    { name: "Made", value: `${number(month.madeKwhPerDay, 2)} kWh a day`, from: "mean power by hour of the day, the chain" },
    { name: "Round trip", value: percent(battery.roundTripFrac, 0), from: "this bench" },
    { name: "More made than a steady load takes", value: `${month.surplusHours} h`, from: "hours of the mean day" },
  ],
  source: "Energy balance of a mean day; the chain of the Yield chapter.",
  assumptions: [
    "The use is spread evenly over the day; what the sun does not carry at that hour goes through the battery once.",
    "A mean day: runs of dull days are what the battery's days without sun are for.",
  ],
});
