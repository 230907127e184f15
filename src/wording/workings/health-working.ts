import type { HealthSide } from "@/core/readings";
import { DAY_MS } from "@/core/units";
import { dateName, number, percent } from "../format";
import type { Working } from "./working";

interface Basis {
  readonly days: readonly string[];
  readonly commissioned: string | null;
}

/** How the measure of a health check came about. */
export function healthWorking(
  kind: "expected" | "promise",
  side: HealthSide,
  readKwh: number,
  span: { from: string; to: string; shareFrac?: number; soFarFrac?: number; at?: string },
  basis: Basis,
): Working {
  const all = Math.round((Date.parse(span.to) - Date.parse(span.from)) / DAY_MS);
  const known = basis.days.filter((day) => day >= span.from && day < span.to).length;
  const shared = [
    {
      name: "first day",
      value: dateName(span.from),
      from: basis.commissioned === span.from ? "commissioning, site document" : "chosen here",
    },
    { name: "days", value: number(all), from: "calendar; neither rounded to months nor stretched to a year" },
    ...((span.shareFrac ?? 1) < 1
      ? [{ name: "of the site", value: percent(span.shareFrac!), from: "this inverter's modules by nameplate" }]
      : []),
    ...((span.soFarFrac ?? 1) < 1
      ? [{ name: `of the day by ${span.at ?? ""}`, value: percent(span.soFarFrac!), from: "the chain under a cloudless sky, to that time" }]
      : []),
    { name: "read off", value: `${number(readKwh, 1)} kWh`, from: "the display" },
  ];
  return kind === "expected"
    ? {
        title: "Expected for those very days",
        value: number(side.measureKwh, 1),
        unit: "kWh",
        formula: "Σ expected energy of each local day with weather; a reading over more days is counted by the share of days with weather",
        inputs: [
          ...shared,
          { name: "days with weather", value: `${number(known)} (${percent(known / Math.max(1, all))})`, from: "weather series" },
        ],
        source: "Chain of the Yield chapter",
        assumptions: ["Days without weather are left out on both sides, in proportion."],
      }
    : {
        title: "Promised for those very days",
        value: number(side.measureKwh, 1),
        unit: "kWh",
        formula: "Σ over days of the month’s promise ÷ days of that month",
        inputs: shared,
        source: "The promise in the book",
        assumptions: ["Each day bears its own month’s share: a record of spring and summer is not ten twelfths of a year."],
      };
}
