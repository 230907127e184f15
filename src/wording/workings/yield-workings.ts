import type { DesignAccount } from "@/core/accounts";
import { MODEL_ACCOUNTS } from "@/core/accounts";
import type { Site } from "@/core/site";
import type { TypicalYear, Uncertainty, UncertaintyName, UncertaintyPart, WeatherShare, YieldLine } from "@/core/yield";
import { ACCOUNT_NAMES, STAGE_NAMES } from "../accounts";
import { kwhDecimals, number, percent } from "../format";
import { stageMethod } from "./stage-methods";
import type { Working, WorkingInput } from "./working";

const NAMES: Readonly<Record<UncertaintyName, string>> = {
  irradiance: "Gain of the light",
  "irradiance-month": "Light, a month's own",
  transposition: "Splitting and turning the light",
  "transposition-month": "Turning, a month's own",
  rating: "Module rating",
  temperature: "Temperature model",
  air: "Air temperature not measured",
  wind: "Wind not measured",
  soiling: "Soiling",
  shading: "Shade as drawn",
  snow: "Snow model",
  "usual-year": "A usual year's light",
  "low-light": "Weak light",
  assumed: "What was assumed of the plant",
  spectrum: "Spectrum",
  rear: "Rear light",
  ageing: "Ageing so far",
  inverter: "Inverter efficiency",
  years: "Year to year",
};

const SOURCES_OF: Readonly<Record<Exclude<UncertaintyName, "years">, string>> = {
  irradiance: "ISO 9060:2018; IEC 61724-1:2021; Sengupta et al., 2021",
  "irradiance-month": "Sengupta et al., 2021",
  transposition: "Gueymard, 2009",
  "transposition-month": "Gueymard, 2009",
  rating: "Müller et al., 2017",
  temperature: "Müller et al., 2017",
  air: "usual air of place and season",
  wind: "Archer & Jacobson, 2005; Faiman, 2008",
  soiling: "the budgeted share, from nothing to twice as much",
  shading: "drawn by hand",
  snow: "Marion et al., 2013",
  "usual-year": "Sengupta et al., 2021",
  "low-light": "IEC 61853-1:2011; Müller et al., 2017",
  assumed: "own estimate of what tilt, direction, module and inverter do to a year",
  spectrum: "Dirnberger et al., 2015",
  rear: "a fifth of the gain",
  ageing: "Jordan et al., 2016",
  inverter: "IEC 61683",
};

const SHARED: Readonly<Record<UncertaintyPart["shared"], string>> = {
  always: "the same in all months",
  year: "each year its own",
  month: "each month its own",
};

/** A row of the budget: what may be off in its own unit and what that does, its distribution, and what averages out. */
const amountOf = ({ amount, unit, perUnit }: UncertaintyPart): string =>
  unit === "share" ? "" : `${number(amount, 1)} ${unit} × ${percent(perUnit, 2)}; `;

const inputs = ({ parts }: Uncertainty, years = 0): WorkingInput[] =>
  parts.map((part) => ({
    name: NAMES[part.name],
    value: `± ${percent(part.standardFrac, 2)}`,
    from:
      part.name === "years"
        ? `scatter of ${years} years`
        : `${amountOf(part)}${SHARED[part.shared]}${part.distribution === "rectangular" ? ", rectangular" : ""}; ${SOURCES_OF[part.name]}`,
  }));

/** The interval of an expected energy, part by part. */
export function uncertaintyWorking(uncertainty: Uncertainty, expectedKwh: number): Working {
  return {
    title: "Interval of the expected energy",
    value: `± ${number(uncertainty.halfWidth90Frac * expectedKwh)}`,
    unit: "kWh",
    formula: "1.645 × √(Σ part²) × expected",
    inputs: [
      ...inputs(uncertainty),
      { name: "All together", value: `± ${percent(uncertainty.standardFrac, 2)}`, from: "parts in quadrature" },
      { name: "Expected", value: `${number(expectedKwh)} kWh`, from: "the chain" },
    ],
    source: "JCGM 100:2008, Guide to the expression of uncertainty in measurement.",
    assumptions: [
      "Nine of ten times the true value lies inside.",
      "Rows are standard deviations over this span; they are independent of each other, and what months or years do not share averages out over it.",
      "The same budget gives the tolerance of the ledger's lines, the level of the modules and a typical year.",
    ],
  };
}

/** P50 and P90 of a typical year. */
export function typicalWorking(typical: TypicalYear): Working {
  return {
    title: "A typical year",
    value: `P50 ${number(typical.p50Kwh)}, P75 ${number(typical.p75Kwh)}, P90 ${number(typical.p90Kwh)}, P99 ${number(typical.p99Kwh)}`,
    unit: "kWh",
    formula: "P50 = mean of the years;  P75, P90, P99 = P50 × (1 − 0.674, 1.282, 2.326 × √(Σ part²)), of one year",
    inputs: inputs(typical.uncertainty, typical.years),
    source: "JCGM 100:2008; Student, 1908, for few years.",
    assumptions: [
      `${typical.years} whole years of this book's weather, each brought to the same age of the plant.`,
      "Few years say little of rare ones: the scatter is widened by Student's t.",
      `The mean of ten years lies above ${number(typical.tenYearP90Kwh)} kWh as surely as P90 says: weather averages out, the model's own error does not.`,
    ],
  };
}

/** What the sky gave against a usual one. */
export const weatherShareWorking = ({ planeKwhM2, usualKwhM2, years }: WeatherShare): Working => ({
  title: "The weather's share",
  value: percent(planeKwhM2 / usualKwhM2),
  unit: "",
  formula: "in-plane irradiation of the span ÷ mean of the same months",
  inputs: [
    { name: "In-plane irradiation", value: `${number(planeKwhM2, 1)} kWh/m²`, from: "weather and site" },
    { name: "Usual", value: `${number(usualKwhM2, 1)} kWh/m²`, from: `mean of ${years} whole years of this book` },
  ],
  source: "This book's own weather.",
  assumptions: [
    "Usual means these years: few of them may all have been bright or dull.",
    "A light sensor that drifts moves the years against each other.",
  ],
});

/** What would come back at the meter without one cause. */
export function removalWorking(account: DesignAccount, gainKwh: number, expectedKwh: number): Working {
  const name = ACCOUNT_NAMES[account].name;
  return {
    title: `Without ${name.toLowerCase()}`,
    value: number(gainKwh, 1),
    unit: "kWh",
    formula: "expected without this cause − expected",
    inputs: [
      { name: "Expected", value: `${number(expectedKwh, 1)} kWh`, from: "the chain as the book has it" },
      {
        name: "Expected without",
        value: `${number(expectedKwh + gainKwh, 1)} kWh`,
        from: `the chain run again with no ${name.toLowerCase()}`,
      },
    ],
    source: "Two runs of the chain.",
    assumptions: [
      "This is the figure for decisions. The posting walks down from nameplate and is larger wherever what is saved here would be lost further on, most of all under clipping.",
    ],
  };
}

/** Energy of a site as somebody might change it: the same weather through the same chain. */
export function triedWorking(line: YieldLine, title: string, site: Site): Working {
  const kwh = (value: number): string => number(value, kwhDecimals(line.referenceKwh));
  return {
    title,
    value: kwh(line.expectedKwh),
    unit: "kWh",
    formula: "reference − all accounts",
    inputs: [
      { name: "Reference", value: `${kwh(line.referenceKwh)} kWh`, from: `nameplate × ${number(line.planeKwhM2, 1)} kWh/m² on the plane` },
      ...MODEL_ACCOUNTS.filter((account) => line.accountsKwh[account] !== 0).map((account) => ({
        name: `− ${STAGE_NAMES[account]}`,
        value: `${kwh(line.accountsKwh[account])} kWh`,
        from: stageMethod(account, site).source,
      })),
    ],
    source: "The chain from sun to meter, docs/methods.md.",
    assumptions: ["At the AC meter, with this book's weather, run again in the browser at the weather's own step."],
  };
}

interface Compared {
  readonly name: string;
  readonly kwh: number;
}

/** Energy of one run less that of another over the same weather. */
export function differenceWorking(title: string, tried: Compared, against: Compared): Working {
  const decimals = kwhDecimals(against.kwh);
  const input = ({ name, kwh }: Compared): WorkingInput => ({
    name,
    value: `${number(kwh, decimals)} kWh`,
    from: "its own run of the chain",
  });
  return {
    title,
    value: `${number(tried.kwh - against.kwh, decimals)} (${percent((tried.kwh - against.kwh) / Math.max(1e-9, against.kwh), 2)})`,
    unit: "kWh",
    formula: `${tried.name} − ${against.name}`,
    inputs: [input(tried), input(against)],
    source: "Two runs of the chain.",
    assumptions: ["Both see the same weather and differ in nothing else."],
  };
}
