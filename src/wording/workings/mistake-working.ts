import type { Mistake, MistakeCost } from "@/core/comparison";
import { number, percent } from "../format";
import { MISTAKE_TITLES } from "../screens/calculators-costs";
import type { SunTold } from "../sun-told";
import type { Working } from "./working";

const FORMULA: Readonly<Record<Mistake["kind"], string>> = {
  azimuth: "Σ of the year at the meter with the array turned − the same as it looks",
  tilt: "Σ of the year at the meter at the other tilt − the same as it stands",
  left: "Σ of the year tilted on its dates − the same, never tilted",
  late: "Σ of the year tilted on its dates − the same with every date moved",
  shade: "Σ of the year without it − the same with it in front of the array",
  dirt: "Σ of the year with clean glass − the same with the share taken",
  cable: "I² R of the thin one − I² R of the thick one, × hours at full light that heat as much as the year",
  string: "Σ of hours of the string's highest maximum, all alike − the same with the unlike modules; mended: every module by itself",
};

const SOURCE: Readonly<Record<Mistake["kind"], string>> = {
  azimuth: "The chain of the Yield chapter, twice.",
  tilt: "The chain of the Yield chapter, twice.",
  left: "The chain of the Yield chapter, twice; dates of the book, else by the rule of thumb of Duffie & Beckman, 2013.",
  late: "The chain of the Yield chapter, twice; dates of the book, else by the rule of thumb of Duffie & Beckman, 2013.",
  shade: "Rays against columns and crowns (Kay & Kajiya, 1986), by patch of the array; the chain, twice.",
  dirt: "The chain of the Yield chapter, twice.",
  cable: "Ohm's law; IEC 60228 (copper, conductor at 50 °C).",
  string: "De Soto, Klein & Beckman, 2006 (circuit); one lit hour in seven.",
};

/** What a mistake costs a year. */
export const mistakeWorking = (kind: Mistake["kind"], { couldKwh, isKwh, mendedKwh }: MistakeCost, sun: SunTold): Working => ({
  title: MISTAKE_TITLES[kind],
  value: number(couldKwh - isKwh, 1),
  unit: "kWh a year",
  formula: FORMULA[kind],
  inputs: [
    { name: "A year as it could be", value: `${number(couldKwh, 1)} kWh`, from: kind === "string" ? "one string, DC" : "this array" },
    { name: "A year as it is", value: `${number(isKwh, 1)} kWh`, from: `${percent(couldKwh > 0 ? 1 - isKwh / couldKwh : 0, 2)} less` },
    {
      name: "A year once mended",
      value: `${number(mendedKwh, 1)} kWh`,
      from: kind === "string" ? "electronics at every module" : "as it could be",
    },
    { name: "Weather", value: sun.name, from: sun.from },
  ],
  source: SOURCE[kind],
  assumptions: ["One array by itself, everything else as the book has it today.", "Mistakes that take the same hour do not add up."],
});
