import { catalogue } from "../catalogue";

/** What the screens of calculators, cable say. */
export const say = catalogue({
  thisArrayHangsOnNoInverter: "This array hangs on no inverter of the book: its limits can’t be checked.",
  lostAYearKwh: "lost a year, kWh",
  whyAHigherVoltage: "Why a higher voltage",
  ampacityFusesFromThreeStringsSide:
    "Ampacity, fuses from three strings side by side, a DC isolator by the inverter, surge protection and earthing follow the local code (IEC 60364-7-712 or its like) and are a licensed electrician’s to choose: the section that costs least may still be too thin for them.",
  mmCostsLeastOverYearsDrop: (areaMm2: string, numberOf: number, best: string, best2: string, run: string) =>
    `${areaMm2} mm² costs least over ${numberOf} years: ${best} drop at full light, ${best2} kWh a year lost in ${run}.`,
  theArraysRun: (run: string) => `the array's ${run}`,
  eachStringsRun: (run: string) => `each string's ${run}`,
  yourSection: (areaMm2: string, drop: string, kwh: string, run: string) =>
    `Your ${areaMm2} mm² over ${run}: ${drop} drop at full light, ${kwh} kWh a year lost.`,
  cantCarry: (areaMm2: string, run: string) => `Your ${areaMm2} mm² over ${run} can’t carry this power at this voltage.`,
  saysMore: (kwh: string) => `The thicker one saves ${kwh} kWh a year and repays itself.`,
  noPriceKnown: (price: string, currency: string) =>
    `What a kilowatt-hour is worth is not known: ${price} ${currency} is taken, and with it which section costs least.`,
  higherVoltageMends: "That is still more drop than codes like: a higher voltage mends it, see below.",
  whatItCarries: "What it carries",
  oneString: "one string, its own pair",
  theWholeArray: "the whole array together",
  yourSectionMm2: "Your section",
  theCheapest: "the cheapest",
  yourVoltage: "Your voltage",
  asTheStringsWork: "as the strings work",
  yours: "yours",
  leastMark: "least",
  lengthOneWayM: "Length, one way, m",
  andAMmOfIt: (currency: string) => `and a mm² of it, ${currency}`,
  overItsLife: (currency: string) => `over its life, ${currency}`,
  theSameWThroughMmHalf: (run: string, best: string) =>
    `The same ${run} W through ${best} mm²: half the voltage is twice the current and four times the loss.`,
  inSeriesKeepWithinTheInverters: (modulesInSeries: number) => `${modulesInSeries} in series keep within the inverter's limits.`,
  inSeriesBreakOfTheInverters: (modulesInSeries: number, broken: number) =>
    `${modulesInSeries} in series break ${broken} of the inverter's limits.`,
  inSeriesNotKnown: (modulesInSeries: number, kept: number, unknown: number) =>
    `${modulesInSeries} in series: ${kept === 0 ? "no limit can be told" : `${kept} limit${kept === 1 ? "" : "s"} kept`}, ${unknown} not known.`,
  openCircuitInTheCold: (airC: string | null) => (airC === null ? "open circuit, coldest" : `open circuit at ${airC}`),
  theSameModulesBear: "the same, for the modules",
  workingInTheCold: (airC: string | null) => (airC === null ? "working, coldest" : `working at ${airC}`),
  workingInTheHeatCellsC: (check: string) => `working in the heat, cells ${check}`,
  shortCircuit125AnInput: "short circuit × 1.25, an input",
  stringsOfOfThem: (modulesInSeries: number, strings: number) => `strings of ${modulesInSeries}, ${strings} of them`,
  notInTheBook: "not in the book",
  toModulesMayStandInA: (least: number, most: number) => `${least} to ${most} modules may stand in a string. `,
  dcToAc: (nameplateW: string) => `DC to AC: ${nameplateW}. `,
  shortCircuitTwoSided: (rear: string) => `short circuit × 1.25 + ${rear} behind`,
  coldestAirNotKnown: (guessC: string, vocV: string | null) =>
    `The coldest air on record is not known: write it in the Site chapter under Place. By latitude and height it could be ${guessC}${vocV === null ? "" : `, open circuit then ${vocV} V`}: a guess that leans to the cold. `,
  hottestAirIsUsual: "The hottest air is a usual one. ",
});
