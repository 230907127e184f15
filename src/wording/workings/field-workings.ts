import type { InstrumentTerms, InverterReport, Judged, SpotReading, SpotReport } from "@/core/electrical";
import { type BeforeAfter, CONVERSION_OFF, type ShortPairReport, type SideReport, type TrialReport } from "@/core/trial";
import { judgedInWords, QUANTITY_NAMES, QUANTITY_UNITS, spotFigure } from "../electrical";
import { number, percent } from "../format";
import type { Working } from "./working";

/** How what a reading should have been came about. */
/** What the cells' temperature rests on. */
function cellsFrom({ moduleTempC, airTempC }: SpotReading, { cellFrom }: SpotReport): string {
  if (cellFrom === "back") return `back, read at ${number(moduleTempC!, 1)} °C, + 3 K at 1000 W/m²`;
  return cellFrom === "air"
    ? `estimated from air at ${number(airTempC!, 1)} °C in a light breeze (Faiman, 2008)`
    : "neither back nor air was read: from a cold morning to a hot noon";
}

export const spotWorking = (judged: Judged, reading: SpotReading, report: SpotReport, terms: InstrumentTerms, module: string): Working => ({
  title: `Expected ${QUANTITY_NAMES[judged.quantity]}`,
  value: `${spotFigure(judged.quantity, judged.expected)} ± ${spotFigure(judged.quantity, judged.plusMinus)}`,
  unit: QUANTITY_UNITS[judged.quantity],
  formula: "I = I_L − I₀ (exp((V + I Rs) / a) − 1) − (V + I Rs) / Rsh, with I_L by the light and I₀ and a by the cells' temperature",
  inputs: [
    { name: "Module", value: module, from: "site chapter: datasheet, five parameters fitted" },
    {
      name: "Light in the plane",
      value: `${number(reading.irradianceWm2)} W/m²`,
      from: `read, ± ${percent(terms.irradianceFrac, 0)} and ± ${number(terms.irradianceWm2)} W/m²`,
    },
    ...(reading.panes > 0
      ? [
          {
            name: "Behind the glass",
            value: `${number(report.lightWm2)} W/m²`,
            from: `86 % ± 5 for each of ${reading.panes} panes (ISO 9050:2003)`,
          },
        ]
      : []),
    { name: "Cells", value: `${number(report.cellTempC, 1)} °C ± ${number(report.cellPlusMinusK, 1)} K`, from: cellsFrom(reading, report) },
    { name: "Read", value: `${spotFigure(judged.quantity, judged.read)} ${QUANTITY_UNITS[judged.quantity]}`, from: judgedInWords(judged) },
  ],
  source:
    "De Soto, Klein & Beckman, 2006, Improvement and validation of a model for photovoltaic array performance; King, Boyson & Kratochvil, 2004 (cell over back); IEC 61829:2015 (on-site measurement).",
  assumptions: [
    `± joins light, temperature, the module's own spread (${percent(terms.moduleFrac, 0)}) and the multimeter in quadrature, two sided 95 %.`,
    "Clean glass, the sensor in the plane of the modules, both read within the same minute.",
  ],
});

/** How a trial's difference came about. */
export const trialWorking = ({ a, b, difference, pairedDays, days }: TrialReport): Working => ({
  title: `${b.name} against ${a.name}`,
  value: percent(difference.frac),
  unit: "a kilowatt-peak",
  formula: "Σ second side ÷ kWp ÷ (Σ first side ÷ kWp) − 1, over intervals that both have, both at the AC point",
  inputs: [
    ...[a, b].flatMap((side: SideReport) => [
      { name: `${side.name}: nameplate`, value: `${number(side.kwp, 2)} kWp`, from: "site chapter" },
      ...(side.conversionFrac === null
        ? []
        : [
            {
              name: `${side.name}: DC to AC`,
              value: percent(side.conversionFrac),
              from: "the inverter's efficiency by load, interval by interval",
            },
          ]),
      ...(side.foreign.stretches.length > 0
        ? [
            {
              name: `${side.name}: foreign energy`,
              value: `${number(side.foreign.kwh)} kWh without sun`,
              from: `${side.foreign.stretches.map(({ from, to }) => `${from} to ${to}`).join("; ")}: days taken out`,
            },
          ]
        : []),
    ]),
    { name: "Days that both have", value: `${pairedDays} of ${days}`, from: "readings, clean" },
    {
      name: "Interval",
      value: `${percent(difference.low)} to ${percent(difference.high)}`,
      from: "2,000 bootstrap samples of whole weeks",
    },
  ],
  source: "Künsch, 1989, The jackknife and the bootstrap for general stationary observations.",
  assumptions: [
    ...([a, b].some(({ conversionFrac }) => conversionFrac !== null)
      ? [`Bringing DC to AC may be off by ${percent(CONVERSION_OFF, 0)}; the interval holds that.`]
      : []),
    "Whatever else differs between the sides is in this figure too: see the list.",
  ],
});

/** How a whole year of both sides came about. */
export const trialYearWorking = ({ year, a, b }: TrialReport): Working => ({
  title: "A whole year of both sides",
  value: year ? percent(year.frac) : "–",
  unit: "a kilowatt-peak",
  formula:
    "Σ over months of expected × (metered ÷ expected over the month's paired intervals); months without a trial take the nearest ones' ratio",
  inputs: (year?.months ?? []).map(({ month, filled, measuredFrac }) => ({
    name: `Month ${month}`,
    value: `${number(filled.a, 1)} and ${number(filled.b, 1)} kWh/kWp`,
    from: `${percent(measuredFrac, 0)} measured`,
  })),
  source: `The chain of the Yield chapter for ${a.name} and ${b.name} alone, in the weather of the year.`,
  assumptions: ["A side's ratio to the model holds through a month; no stretch by days."],
});

/** How the change of an intervention came about. */
export const changeWorking = (change: BeforeAfter, on: string): Working => ({
  title: `Change of ${on}`,
  value: percent(change.frac),
  unit: `(${percent(change.low)} to ${percent(change.high)})`,
  formula: "(metered ÷ expected after) ÷ (metered ÷ expected before) − 1, month against the same month, weighed by expected energy",
  inputs: [
    { name: "Before", value: `index ${number(change.before.index, 3)}`, from: `${change.before.days} days` },
    { name: "After", value: `index ${number(change.after.index, 3)}`, from: `${change.after.days} days` },
    { name: "Months on both sides", value: change.sharedMonths.join(", ") || "none", from: "calendar" },
    { name: "Raw change", value: percent(change.rawFrac), from: "mean day after over mean day before" },
  ],
  source: "Jordan et al., 2018, Robust PV degradation methodology and application (weather-corrected index); Künsch, 1989 (interval).",
  assumptions: [
    "Expected is the site as it stood before the day, under the weather that came: its revisions from that day on are left out.",
    "Whatever else changed meanwhile (dirt, snow, ageing beyond the budget, a string) is in the figure.",
  ],
});

/** How the power of an input stands to the others and to the light. */
export const inputWorking = (k: number, input: InverterReport["inputs"][number], expectedW: number | null): Working => ({
  title: `Input ${k + 1}`,
  value: number(input.perStringW),
  unit: "W a string",
  formula: "V × A ÷ strings; expected: the chain's watts at the meter ÷ the inverter's rated efficiency ÷ strings",
  inputs: [
    { name: "Power", value: `${number(input.dcW)} W`, from: "display: V × A" },
    {
      name: "Expected of a string now",
      value: expectedW === null ? "not known" : `${number(expectedW)} W`,
      from: "one minute of the chain",
    },
    { name: "Of the mean of all inputs", value: percent(input.ofMeanFrac, 0), from: "this table" },
  ],
  source: "IEC 62446-1:2016, string currents under steady light.",
  assumptions: ["Strings of one input are alike.", "Inputs may differ by a tenth of their mean before it means anything."],
});

/** What the better side would bring on the other's nameplate. */
export const betterSideWorking = (
  { year }: TrialReport,
  other: SideReport,
  extraKwh: number,
  price: number,
  currency: string,
): Working => ({
  title: `The better side on ${other.name}`,
  value: number(extraKwh),
  unit: "kWh a year",
  formula: "(whole year of the better side − of the other, kWh a kilowatt-peak) × the other's kilowatt-peak",
  inputs: [
    {
      name: "Whole years",
      value: `${number(year?.a ?? Number.NaN)} and ${number(year?.b ?? Number.NaN)} kWh/kWp`,
      from: "this trial, by season",
    },
    { name: other.name, value: `${number(other.kwp, 2)} kWp`, from: "site chapter" },
    { name: "A kilowatt-hour", value: `${number(price, 4)} ${currency}`, from: "this bench" },
  ],
  source: "The trial's own whole year; simple payback is cost over a year's worth.",
  assumptions: ["All that differs between the sides would come along.", "Today's price; no ageing, no interest."],
});

/** What two readings by hand say beside the model. */
export const pairWorking = (pair: ShortPairReport["pairs"][number]): Working => ({
  title: `Readings of ${pair.at.replace("T", " ")}`,
  value: percent(pair.readFrac, 0),
  unit: "second over first",
  formula: "second reading ÷ first − 1; expected: one minute of the chain at either tilt, under a cloudless sky",
  inputs: [
    { name: "Read", value: `${number(pair.readA, 1)} and ${number(pair.readB, 1)}`, from: "by hand, any one unit" },
    {
      name: "Expected",
      value: `${number(pair.expectedA)} and ${number(pair.expectedB)} W`,
      from: `the chain: ${percent(pair.expectedFrac, 0)}`,
    },
  ],
  source: "The chain of the Yield chapter, on one minute.",
  assumptions: ["Light stays as it is between the two readings.", "They agree when their ratios lie within a tenth."],
});
