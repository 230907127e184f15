import {
  type InverterFinding,
  type InverterReport,
  type Judged,
  ROUGH_BELOW_WM2,
  type SpotCause,
  type SpotDoubt,
  type SpotQuantity,
  type SpotReading,
  type SpotReport,
} from "@/core/electrical";
import { number } from "./format";

export const QUANTITY_NAMES: Readonly<Record<SpotQuantity, string>> = {
  vocV: "open-circuit voltage",
  iscA: "short-circuit current",
  operatingA: "operating current",
  operatingW: "operating power",
};
export const QUANTITY_UNITS: Readonly<Record<SpotQuantity, string>> = { vocV: "V", iscA: "A", operatingA: "A", operatingW: "W" };
const DECIMALS: Readonly<Record<SpotQuantity, number>> = { vocV: 1, iscA: 2, operatingA: 2, operatingW: 0 };

export const spotFigure = (quantity: SpotQuantity, value: number): string => number(value, DECIMALS[quantity]);

const CAUSES: Readonly<Record<SpotCause, string>> = {
  "shade-on-a-cell": "shade on a cell",
  dirt: "dirt",
  "meter-range": "the meter's range or a blown fuse in it",
  "sensor-tilt": "the irradiance sensor's tilt (it has to lie in the plane of the modules)",
  "sensor-shaded": "whether the irradiance sensor was shaded or dirty",
  "group-out": "one group of cells (a bypass diode that conducts, or a broken cell string)",
  "module-out": "a module that is missing from the string or bridged",
  connector: "connectors and fuses",
  "temperature-unit": "the thermometer's unit (°F read as °C?) and where it was held",
  "warmer-cells": "the cells' temperature: they may be warmer than the back tells",
  "colder-cells": "the cells' temperature: they may be colder than the back tells, as after a passing cloud",
  "not-at-maximum": "whether the load was at the maximum power point",
  "brighter-than-sensor": "light that the sensor did not see (a bright ground or cloud)",
};

/** How much a reading is of what this light gives. */
function howMuch({ read, expected, verdict }: Judged): string {
  const share = read / expected;
  if (verdict === "as-expected") return "as it should be";
  if (share < 0.5) return "under half of what this light gives";
  if (share < 0.9) return `${Math.round(share * 100)} % of what this light and warmth give`;
  return verdict === "low" ? "somewhat less than it should be" : `${Math.round((share - 1) * 100)} % more than it should be`;
}

/** One reading in words: "0.80 A read, 1.73 ± 0.12 expected: current is under half of what this light gives". */
export function judgedInWords(judged: Judged): string {
  const { quantity, read, expected, plusMinus } = judged;
  const say = (value: number): string => spotFigure(quantity, value);
  return `${say(read)} ${QUANTITY_UNITS[quantity]} read, ${say(expected)} ± ${say(plusMinus)} expected: ${QUANTITY_NAMES[quantity]} is ${howMuch(judged)}`;
}

/** The verdict on a position: the readings that stand out, and what to check. */
export function spotInWords(report: SpotReport): string {
  const said = plainSpotWords(report);
  return report.isRough && report.judged.length > 0
    ? `A rough word only, since under ${ROUGH_BELOW_WM2} W/m² neither meter nor model can carry a verdict; measure again in the sun. ${said}`
    : said;
}

function plainSpotWords({ judged, causes, cellFrom }: SpotReport): string {
  const off = judged.filter(({ verdict }) => verdict !== "as-expected");
  if (judged.length === 0) return "Nothing was read yet.";
  if (off.length === 0) {
    const [first] = judged;
    return `${judged.length > 1 ? "All readings are" : `The ${QUANTITY_NAMES[first!.quantity]} is`} as this light ${cellFrom === "back" ? "and warmth have" : "has"} it.`;
  }
  const check = causes.length > 0 ? `; check ${listed(causes.map((cause) => CAUSES[cause]))}` : "";
  return `${off.map(judgedInWords).join("; ")}${check}.`;
}

const listed = (items: readonly string[]): string =>
  items.length < 2 ? items.join("") : `${items.slice(0, -1).join(", ")}, or ${items.at(-1)}`;

/** Why a reading can't be taken as it stands: fact, expectation, way out. */
export function doubtInWords(
  doubt: SpotDoubt,
  reading: SpotReading,
  meter: { readonly maxV: number; readonly maxA: number },
  modulesInSeries: number,
): string {
  const { irradianceWm2, vocV, operatingV, iscA, operatingA } = reading;
  const tempC = reading.moduleTempC ?? reading.airTempC ?? 0;
  const celsius = ((tempC - 32) * 5) / 9;
  switch (doubt) {
    case "no-light":
      return `Irradiance ${irradianceWm2} W/m²: at least 10 is needed for a current that can be told, and 700 for a good check. Wait for sun, or hold the sensor in the plane of the modules.`;
    case "light-beyond-sun":
      return `Irradiance ${irradianceWm2} W/m²: the sun, even at the edge of a cloud, stays under 1,800. Check the sensor's unit and range.`;
    case "voc-beyond-meter":
      return `${Math.max(vocV ?? 0, operatingV ?? 0)} V is beyond this meter's ${meter.maxV} V: it can't have shown that, and must never be put to it. Measure fewer modules, or use a meter and leads rated for the string.`;
    case "isc-beyond-meter":
      return `${Math.max(iscA ?? 0, operatingA ?? 0)} A is beyond this meter's ${meter.maxA} A. Use a DC clamp: a short circuit through a meter's own fuse burns it, and opening it draws an arc.`;
    case "temperature-out-of-range":
      return `${tempC} °C: modules and air stay between −40 and 110. ${tempC > 0 && celsius < 110 ? `If it was read in °F, that is ${celsius.toFixed(0)} °C.` : "Read the thermometer again."}`;
    case "operating-above-voc":
      return `Operating voltage ${operatingV} V lies above the open-circuit voltage ${vocV} V: no module works above its open circuit. The two may be swapped, or one was read on another string.`;
    case "nothing-read":
      return "No voltage and no current was entered: give at least one.";
    case "too-many-in-series":
      return `${modulesInSeries} modules in one string: no input bears more than about 60 (1,500 V). Give the modules of one string, not of the array.`;
  }
}

const FINDINGS: Readonly<Record<InverterFinding, (report: InverterReport) => string>> = {
  consistent: () => "The display's figures fit each other and the light.",
  "efficiency-low": ({ efficiencyFrac }) =>
    `AC is ${percent(efficiencyFrac)} of DC: 90 to 98 % is usual in good light. Read both again within a minute; then look for a derating for heat, or a wrong range.`,
  "efficiency-impossible": ({ efficiencyFrac }) =>
    `AC is ${percent(efficiencyFrac)} of DC, more than goes in: one of the figures was read at another moment or input, or an input was left out.`,
  "ac-figures-disagree": ({ powerFactor }) =>
    `AC power is ${percent(powerFactor)} of volts times amperes: phases are counted wrongly, or one figure belongs to another moment.`,
  "inputs-unbalanced": () => "The inputs differ by more than a tenth a string: shade, dirt, a module or a string out on the weaker one.",
  "input-dead": () => "One input gives next to nothing: a string is open, its isolator off or its fuse blown.",
  "no-output-in-light": () => "There is light and no output: read the state lights and the message, and look at breakers from outside.",
  "below-expected": ({ ofExpectedFrac }) => `Output is ${percent(ofExpectedFrac)} of what this light should give.`,
  "above-expected": ({ ofExpectedFrac }) =>
    `Output is ${percent(ofExpectedFrac)} of what was expected: the light is brighter than assumed, or the book has fewer modules than the roof.`,
  "at-rating": () => "It works at its rating: what the modules could give beyond is cut off.",
  "above-rating": () => "Output stands above the rating in the book: is the rating right, and the figure in W?",
  "voltage-beyond-limit": () => "The DC voltage is above what the input may bear: do not switch anything; call an electrician.",
  "day-beyond-lifetime": () => "The day's energy is more than the lifetime's: the two were swapped, or one is in Wh.",
  "kilowatts-as-watts": () => "AC and DC differ a thousandfold: one of them is in kW, the other in W.",
};

const percent = (share: number | null): string => (share === null ? "?" : `${Math.round(share * 100)} %`);

export const inverterFindingInWords = (finding: InverterFinding, report: InverterReport): string => FINDINGS[finding](report);
