import type { ChangeFromTotals, Morning, TotalsReport, TotalsSide, TwoMornings } from "@/core/trial";
import { number, percent } from "../format";
import type { Working } from "./working";

const sideInput = ({ name, kwp, toAcFrac, toAcOff }: TotalsSide): Working["inputs"][number] => ({
  name,
  value: `${number(kwp, 2)} kWp`,
  from: toAcOff === 0 ? "read behind the inverter" : `brought to AC × ${number(toAcFrac, 3)} (± ${percent(toAcOff, 0)})`,
});

/** How two sides' totals compare. */
export const totalsWorking = (report: TotalsReport, a: TotalsSide, b: TotalsSide): Working => ({
  title: `${b.name} against ${a.name}`,
  value: percent(report.frac, 2),
  unit: "a kilowatt-peak",
  formula: "Σ second ÷ kWp ÷ (Σ first ÷ kWp) − 1, over spans that both have",
  inputs: [
    sideInput(a),
    sideInput(b),
    { name: "Sums", value: `${number(report.a, 1)} and ${number(report.b, 1)} kWh/kWp`, from: `${report.pairs.length} spans` },
    {
      name: "Interval",
      value: report.low === null || report.high === null ? "not known" : `${percent(report.low)} to ${percent(report.high)}`,
      from: "scatter of the spans about the ratio, Student's t, with the step to AC",
    },
    ...report.pairs.map(({ label, a: left, b: right, frac }) => ({
      name: label,
      value: `${number(left, 1)} and ${number(right, 1)} kWh/kWp`,
      from: percent(frac),
    })),
  ],
  source: "Cochran, 1977, Sampling techniques, ch. 6; Student, 1908, The probable error of a mean.",
  assumptions: ["Both meters count the same hours.", "No interval is claimed beyond what the scatter of the spans gives."],
});

/** How months before and after a change compare. */
export const changeTotalsWorking = ({ frac, low, high, rawFrac, by, months }: ChangeFromTotals): Working => ({
  title: "What the change brought",
  value: percent(frac, 2),
  unit: "of the energy",
  formula:
    by === "other"
      ? "Σ after ÷ Σ (before × other after ÷ other before) − 1, over months that both years have"
      : "Σ after ÷ Σ before − 1, over months that both years have",
  inputs: [
    { name: "By itself", value: percent(rawFrac, 2), from: "after over before" },
    {
      name: "Interval",
      value: `${percent(low)} to ${percent(high)}`,
      from: by === "other" ? "3 % a month between two plants" : "12 % a month from year to year",
    },
    ...months.map(({ label, frac: own }) => ({ name: label, value: percent(own), from: "the month" })),
  ],
  source: "Gueymard & Wilcox, 2011, Assessment of spatial and temporal variability in the US solar resource.",
  assumptions: ["Months are independent of each other.", "Ageing of a year is in the change."],
});

/** How two mornings compare. */
export const morningsWorking = ({ frac, low, high, sharesFrac }: TwoMornings, first: Morning, second: Morning): Working => ({
  title: "The second morning against the first",
  value: percent(frac, 1),
  unit: "of the energy by that hour",
  formula: "(read ÷ cloudless) of the second ÷ (read ÷ cloudless) of the first − 1",
  inputs: [
    { name: "First", value: `${number(first.readKwh, 2)} of ${number(first.cloudlessKwh, 2)} kWh`, from: percent(sharesFrac[0]) },
    { name: "Second", value: `${number(second.readKwh, 2)} of ${number(second.cloudlessKwh, 2)} kWh`, from: percent(sharesFrac[1]) },
    { name: "Interval", value: `${percent(low)} to ${percent(high)}`, from: "10 % between two cloudless mornings" },
  ],
  source: "Reno, Hansen & Stein, 2012, Global horizontal irradiance clear sky models: implementation and analysis.",
  assumptions: ["Both mornings were cloudless: under three quarters of one they are taken for cloudy."],
});
