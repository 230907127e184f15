/** Every option of the command line: what it takes, and what it is for. */
export const OPTIONS = {
  site: ["FILE", "site file"],
  weather: ["FILE", "weather: CSV, EPW or twelve monthly means"],
  production: ["FILE", "production: CSV, XLSX or interval-meter XML"],
  promise: ["FILE", "promised kWh by month"],
  events: ["FILE", "field-book entries"],
  bills: ["FILE", "printed bills"],
  from: ["WHEN", "first month, date or hour"],
  to: ["WHEN", "last month, date or hour"],
  basis: ["ENERGY", "metered, expected or promise"],
  array: ["ID", "array of the site"],
  goal: ["GOAL", "energy, winter, money or flattest"],
  reading: ["DEG", "what the compass shows, degrees"],
  date: ["DATE", "date, 2026-05-10, or time"],
  price: ["AMOUNT", "price of a kWh"],
  "price-rise": ["SHARE", "rise of prices a year, as a share"],
  case: ["NAME", "cleaning, new-roof, tree, …"],
  with: ["LIST", "terms as name=value, separated by commas"],
  rate: ["SHARE", "interest a year, as a share"],
  years: ["N", "years of the loan"],
  principal: ["AMOUNT", "sum of the loan"],
  module: ["NAME", "module type of the site"],
  modules: ["LIST", "module types of the library"],
  inputs: ["LIST", "inputs as VxAxN, separated by commas"],
  strings: ["FILE", "strings of mixed modules"],
  loads: ["FILE", "appliances and battery"],
  a: ["METER", "meter of the one side"],
  b: ["METER", "meter of the other side"],
  on: ["DATE", "date of the change"],
  meter: ["ID", "meter of the site"],
  days: ["N", "days on each side"],
  "weather-zone": ["ZONE", "zone of weather times, Europe/Madrid or UTC+01:00"],
  "weather-labels": ["SIDE", "labels at the start or end of weather intervals"],
  "weather-year": ["YEAR", "year that monthly means stand for"],
  "weather-dates": ["ORDER", "dmy or mdy"],
  "weather-unit": ["UNIT", "unit of the weather's light"],
  "production-zone": ["ZONE", "zone of production times, Europe/Madrid or UTC+01:00"],
  "production-labels": ["SIDE", "labels at the start or end of production intervals"],
  "production-unit": ["UNIT", "kWh, Wh, W, kW or counter"],
  "production-dates": ["ORDER", "dmy or mdy"],
  "fiscal-years": ["SIDE", "start or end: which calendar year names a fiscal one"],
  map: ["FILE", "a column mapping"],
  accept: ["WHICH", "sure, none or all remedies of the examination; sure by default"],
  conflicts: ["RULE", "refuse, first or last where readings contradict each other"],
} as const satisfies Readonly<Record<string, readonly [argument: string, what: string]>>;

export type OptionName = keyof typeof OPTIONS;

/** Options as they were typed; `--json` prints the form of docs/formats.md. */
export type CliOptions = { readonly [K in OptionName]?: string } & { readonly json?: boolean };

const WEATHER: readonly OptionName[] = ["weather", "weather-zone", "weather-labels", "weather-year", "weather-dates", "weather-unit"];
const PRODUCTION: readonly OptionName[] = [
  "production",
  "production-zone",
  "production-labels",
  "production-unit",
  "production-dates",
  "fiscal-years",
  "accept",
];
const READING: readonly OptionName[] = ["map", "conflicts"];

/** What opens a ledger from files. */
export const LEDGER: readonly OptionName[] = ["site", ...WEATHER, ...PRODUCTION, "promise", "events", ...READING];
/** What opens one year of a site. */
export const SITE_YEAR: readonly OptionName[] = ["site", ...WEATHER, ...READING, "array"];
export const METERED_SITE: readonly OptionName[] = ["site", ...WEATHER, ...PRODUCTION, "events", ...READING];
