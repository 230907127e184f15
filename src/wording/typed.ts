import type { Dimension, TypedRefusal } from "@/core/typed";
import { editable, number } from "./format";

const QUANTITY: Readonly<Record<Dimension, string>> = {
  length: "a length",
  area: "an area",
  section: "a conductor's section",
  temperature: "a temperature",
  "temperature-difference": "a difference of temperatures",
  power: "power",
  energy: "energy",
  voltage: "voltage",
  current: "current",
  charge: "charge",
  speed: "a speed",
  angle: "an angle",
  irradiance: "irradiance",
  share: "a share",
  "share-per-kelvin": "a share a kelvin",
  resistance: "resistance",
  time: "a time",
};

/** What a field understood, in its own unit: "= 1493.52 m". */
export const understoodInWords = (value: number, unit: string | null): string =>
  `= ${editable(value, 4, true)}${unit === null ? "" : ` ${unit}`}`;

/** Why what was typed is not taken, and what would be. */
export function refusedInWords(refusal: TypedRefusal, unit: string | null): string {
  const typeIt = unit === null ? "Type a number alone." : `Type a number, in ${unit} or with its unit.`;
  switch (refusal.reason) {
    case "no-number":
      return `No number is understood here. ${typeIt}`;
    case "unknown-unit":
      return `"${refusal.unit}" is no unit that is known here. ${typeIt}`;
    case "other-quantity":
      return `${refusal.unit} measures ${QUANTITY[refusal.is]}; here stands ${refusal.wanted ? QUANTITY[refusal.wanted] : "a plain number"}. ${typeIt}`;
    case "power-or-energy":
      return "Power or energy? Type kW for what flows, kWh for what was counted.";
    case "needs-volts":
      return "Ah is charge: type its voltage too, as in 120 Ah at 12 V.";
    case "wrong-side":
      return "Number and letter name two sides: type one of them.";
    case "not-whole":
      return "A whole number is expected: nothing behind the decimal mark.";
    case "out-of-range":
      return rangeInWords(refusal.min, refusal.max);
  }
}

function rangeInWords(min: number | null, max: number | null): string {
  if (min !== null && max !== null) return `Between ${tidy(min)} and ${tidy(max)}.`;
  return min === null ? `${tidy(max!)} at most.` : `${tidy(min)} at least.`;
}

const tidy = (value: number): string => number(value, Number.isInteger(value) ? 0 : 2);
