import type { SoilingReport } from "@/contracts/attribution";
import { number, percent } from "../format";
import type { Working } from "./working";

/** How growth, mean and today's worth of dirt came about. */
export const dirtWorking = (soiling: SoilingReport, lastDay: string, span: string): Working => ({
  title: "Dirt",
  value: percent(soiling.meanLostFrac, 2),
  unit: `of the light, on average in ${span}`,
  formula:
    "ln(metered ÷ expected) = level + slope × t + season + clouds + ln(1 − dirt); dirt grows by a rate, rain and cleanings take it off",
  inputs: [
    {
      name: "growth a day",
      value: `${percent(soiling.ratePerDayFrac, 3)} (${percent(soiling.rateLowFrac, 3)} to ${percent(soiling.rateHighFrac, 3)})`,
      from: "middle of the four-week rates, and the middle 80 % of them",
    },
    {
      name: "rain leaves",
      value: `exp((${number(soiling.washing.thresholdMm, 1)} − mm) ÷ ${number(soiling.washing.scaleMm, 1)})`,
      from: "the washing that fits best; all of it under the first figure",
    },
    { name: "resets", value: String(soiling.resets.length), from: "rain, field book, and jumps that no rain explains" },
    { name: `on ${lastDay}`, value: percent(soiling.nowFrac, 2), from: "the fit’s last day" },
    {
      name: "cleaning then brings",
      value: `${number(soiling.nowGainKwh, 1)} kWh`,
      from: "this week’s mean gain × today’s dirt ÷ this week’s mean dirt",
    },
    {
      name: "days to rain that washes",
      value: soiling.daysToRain === null ? "no rain gauge" : number(soiling.daysToRain),
      from: "mean wait of all days of the record",
    },
  ],
  source: "Kimber et al., 2006; Deceglie, Micheli & Muller, 2018; Huber, 1964 (outliers weighed down).",
  assumptions: ["Light lost on the glass; at the meter it is less where the inverter clips."],
});
