import type { MixedReport, MixedYear, SectionChoice } from "@/core/electrical";
import { number, percent, sectionName } from "../format";
import type { SunTold } from "../sun-told";
import type { Working } from "./working";

const CURVES =
  "Single-diode curves (De Soto, Klein & Beckman, 2006) joined in series and side by side with ideal bypass diodes, after Quaschning & Hanitsch, 1996.";

/** How the common maximum of a mixed array came about. */
export const mixedWorking = (report: MixedReport, modules: number): Working => ({
  title: "Highest power on one input",
  value: number(report.togetherW, 1),
  unit: "W",
  formula: "max of V × I; in series voltages add at one current, side by side currents add at one voltage",
  inputs: [
    { name: "Modules", value: String(modules), from: "this bench" },
    ...report.peaks.map((peak, k) => ({
      name: `${k === 0 ? "Highest" : "Lower"} maximum`,
      value: `${number(peak.powerW, 1)} W at ${number(peak.voltageV, 1)} V, ${number(peak.currentA, 2)} A`,
      from: "the common curve",
    })),
    { name: "Sum of each alone", value: `${number(report.byModuleW, 1)} W`, from: "each module's own maximum" },
    {
      name: "Rule of thumb",
      value: `${number(report.rule.powerW, 1)} W (${percent(report.ruleOffFrac, 0)} off)`,
      from: "lowest current of a string × its volts; lowest volts of strings side by side",
    },
  ],
  source: CURVES,
  assumptions: ["Bypass diodes conduct at 0.5 V; strings side by side have blocking diodes or an input that lets none run backward."],
});

/** How a year of a way of connecting came about. */
export const mixedYearWorking = (name: string, kwh: number, year: MixedYear, sun: SunTold): Working => ({
  title: `A year ${name}`,
  value: number(kwh, 1),
  unit: "kWh DC",
  formula: "Σ over sampled hours of the highest maximum × hours that each stands for",
  inputs: [
    { name: "Weather", value: sun.name, from: `${sun.from}; each plane's own light (isotropic sky) and Faiman's cell temperature` },
    { name: "One input", value: `${number(year.togetherKwh, 1)} kWh`, from: "the same hours" },
    { name: "Every module by itself", value: `${number(year.byModuleKwh, 1)} kWh`, from: "the same hours" },
    { name: "Nameplate × light", value: `${number(year.nameplateKwh, 1)} kWh`, from: "what the sum of nameplates would promise" },
  ],
  source: CURVES,
  assumptions: [
    "One lit hour in seven is reckoned, spread evenly over the year.",
    "The share of light that reaches a module is taken as the same all year.",
    "DC energy: no inverter, dirt, snow or ageing.",
  ],
});

/** How the yearly loss and the life cost of a section came about. */
export const sectionWorking = (
  choice: SectionChoice,
  facts: {
    readonly lengthM: number;
    readonly currentA: number;
    readonly voltageV: number;
    readonly squaredHours: number;
    readonly worth: number;
    readonly currency: string;
    readonly sun: SunTold;
  },
): Working => ({
  title: `${sectionName(choice.areaMm2)} mm²`,
  value: number(choice.lifeCost),
  unit: `${facts.currency} over its life`,
  formula: "R = 2 L ρ(T) ÷ A;  drop = I R;  loss a year = I² R × squared hours;  life cost = cable + loss × worth",
  inputs: [
    { name: "Length, one way", value: `${number(facts.lengthM, 1)} m`, from: "this bench" },
    {
      name: "Current at full light",
      value: `${number(facts.currentA, 1)} A at ${number(facts.voltageV)} V`,
      from: "the string, its array, or the voltage typed",
    },
    { name: "Voltage drop", value: `${number(choice.dropV, 2)} V (${percent(choice.dropFrac, 2)})`, from: "Ohm's law" },
    {
      name: "Squared hours",
      value: `${number(facts.squaredHours)} h`,
      from: `Σ (P ÷ P full)² over ${facts.sun.name}: heating goes with the square`,
    },
    { name: "Lost a year", value: `${number(choice.lossKwhPerYear, 1)} kWh`, from: "loss at full light × squared hours" },
    {
      name: "A lost kWh, over the life",
      value: `${number(facts.worth, 2)} ${facts.currency}`,
      from: "price, its rise, discount and years",
    },
    { name: "Cable", value: `${number(choice.cost)} ${facts.currency}`, from: "price a metre on this bench" },
  ],
  source: "IEC 60228 (sections, copper), IEC 60889 (aluminium), Ohm's law; IEC 60364-5-52 on economic sections.",
  assumptions: [
    "The conductor's temperature is that of full light all year, which is on the safe side.",
    "Ampacity, fuses and isolators are a matter of local code: the cheapest section may still be too thin.",
  ],
});
