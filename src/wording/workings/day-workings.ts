import type { DayReport } from "@/contracts/ledger";
import { dateName, number, percent } from "../format";
import type { Working } from "./working";

export type DayFigure = "Expected" | "Metered" | "Difference" | "Data gap" | "Data availability";

const FORMULAS: Readonly<Record<DayFigure, string>> = {
  Expected: "Σ expected power × step, local midnight to midnight",
  Metered: "Σ readings × step, local midnight to midnight",
  Difference: "metered − expected",
  "Data gap": "Σ expected × (1 − share of the interval that was read)",
  "Data availability": "1 − data gap ÷ expected",
};

/** Working of a figure of one day. */
export function dayWorking(day: DayReport, figure: DayFigure): Working {
  const { line } = day;
  const metered = line?.meteredKwh ?? 0;
  const values: Record<DayFigure, string> = {
    Expected: number(line?.expectedKwh ?? 0, 2),
    Metered: number(metered, 2),
    Difference: number(metered - (line?.expectedKwh ?? 0), 2),
    "Data gap": number(line?.dataGapKwh ?? 0, 2),
    "Data availability": percent(line?.readFrac ?? 0),
  };
  return {
    title: `${figure}, ${dateName(day.date)}`,
    value: values[figure],
    unit: figure === "Data availability" ? "" : "kWh",
    formula: FORMULAS[figure],
    inputs: [
      {
        name: "Expected intervals",
        value: number(day.expected.kw.filter((kw) => kw !== null).length),
        from: `weather, ${day.expected.stepMinutes} min`,
      },
      { name: "Readings", value: number(day.metered.kw.filter((kw) => kw !== null).length), from: `meter, ${day.metered.stepMinutes} min` },
      { name: "Expected", value: `${values.Expected} kWh`, from: "the chain, docs/methods.md" },
      { name: "Metered", value: `${values.Metered} kWh`, from: "imported production" },
    ],
    source: "The ledger of this book.",
    assumptions: [`The day is cut in ${day.timeZone}; a day of a clock change has 23 or 25 hours.`],
  };
}
