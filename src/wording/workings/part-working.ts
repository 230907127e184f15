import type { PartReport, Shedding } from "@/contracts/parts";
import { number } from "../format";
import { partName } from "../parts";
import type { Working } from "./working";

const percent = (value: number | null): string => (value === null ? "not told" : `${number(value * 100, 2)} %`);
const BY_HOURS =
  "least squares of a clear day’s metered hours on what is expected of each plane in them gives each plane’s ratio of that day; then as for a meter";

/** How a part's rate was read. */
export const partWorking = (part: PartReport): Working => ({
  title: `Ageing of ${partName(part)}`,
  value: percent(part.perYearFrac),
  unit: "a year",
  formula: part.source === "hours" ? BY_HOURS : "median of changes of ln(metered ÷ expected without ageing) between days one year apart",
  inputs: [
    { name: "years", value: number(part.years, 1), from: part.source === "meter" ? `meter ${part.id}` : "the site’s meter" },
    { name: "days that tell", value: number(part.usedDays), from: "read, lit, without other causes" },
    { name: "interval", value: `${percent(part.low)} to ${percent(part.high)}`, from: "95 of 100 bootstrap samples in blocks of a month" },
  ],
  source: "Jordan et al., 2018.",
  assumptions:
    part.source === "hours"
      ? [
          "How an hour’s light splits between the planes is the sky model’s word: half of the difference to the rest is added to the interval.",
        ]
      : ["Standstill, snow, strings and dirt are sought for this meter alone, and taken out."],
});

/** How a part was set against the others. */
export const againstRestWorking = (part: PartReport): Working => ({
  title: `${partName(part)} against the rest`,
  value: percent(part.againstRest?.value ?? null),
  unit: "a year faster",
  formula: "year on year of ln(its ratio) − mean of ln(the others’ ratios), on days that tell all of them",
  inputs: [
    {
      name: "interval",
      value: part.againstRest ? `${percent(part.againstRest.low)} to ${percent(part.againstRest.high)}` : "not told",
      from: "95 of 100 bootstrap samples in blocks of a month",
    },
  ],
  source: "Jordan et al., 2018, on a ratio of two sides.",
  assumptions: ["Weather, light sensor and sky model are on both sides and cancel; drift of the meters against one another does not."],
});

/** How the model says that an array sheds. */
export const sheddingWorking = (array: Shedding): Working => ({
  title: `Snow on ${array.name}`,
  value: number(array.meanHours, 0),
  unit: "hours lying after a fall",
  formula:
    "cover slides by 0.197 × sin(tilt) of the slant an hour while air °C > light W/m² ÷ −80; hours until it is gone or the next fall",
  inputs: [
    { name: "falls", value: String(array.falls), from: "snow depth" },
    { name: "longest", value: `${number(array.longestHours, 0)} hours`, from: "the same" },
    { name: "tilt", value: `${number(array.tiltDeg)}°`, from: "Site chapter" },
    { name: "lost", value: `${number(array.lostKwhPerKwpYear, 1)} kWh/kWp a year`, from: "the chain without snow, under this cover" },
  ],
  source: "Marion et al., 2013, Measured and modeled photovoltaic system energy losses from snow.",
  assumptions: ["Nobody clears.", "The eaves let it slide off: a gutter or a row below may hold it."],
});

/** What a part's own meter says of snow. */
export const meterSnowWorking = (part: PartReport): Working => ({
  title: `Snow on ${partName(part)}`,
  value: number(part.snow?.lostKwh ?? 0),
  unit: "kWh",
  formula: "from each fall until two hours in a row give 90 % of the usual: Σ expected × (1 − metered ÷ expected)",
  inputs: [
    { name: "falls that stayed", value: String(part.snow?.falls ?? 0), from: `snow depth and meter ${part.id}` },
    {
      name: "bare after",
      value: part.snow?.bareHours ? `${number(part.snow.bareHours)} hours` : "not told",
      from: "the middle one of all falls",
    },
  ],
  source: "After Marion et al., 2013, with the meter in place of the model’s end of a cover.",
  assumptions: ["Over the time in which this meter was read, which may be shorter than the site’s."],
});
