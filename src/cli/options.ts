import { say } from "@/wording/cli";

/** Every option of the command line: what it takes, and what it is for. */
export const OPTIONS = {
  site: ["FILE", "site file"],
  weather: ["FILE", say.weatherCsvEpwOrTwelveMonthly],
  production: ["FILE", say.productionCsvXlsxOrIntervalMeter],
  promise: ["FILE", say.promisedKwhByMonth],
  events: ["FILE", "field-book entries"],
  bills: ["FILE", "printed bills"],
  from: ["WHEN", say.firstMonthDateOrHour],
  to: ["WHEN", say.lastMonthDateOrHour],
  basis: ["ENERGY", say.meteredExpectedOrPromise],
  array: ["ID", say.arrayOfTheSite],
  goal: ["GOAL", say.energyWinterMoneyOrFlattest],
  reading: ["DEG", say.whatTheCompassShowsDegrees],
  date: ["DATE", say.date20260510OrTime],
  price: ["AMOUNT", say.priceOfAKwh],
  "price-rise": ["SHARE", say.riseOfPricesAYearAs],
  case: ["NAME", say.cleaningNewRoofTree],
  with: ["LIST", say.termsAsNameValueSeparatedBy],
  rate: ["SHARE", say.interestAYearAsAShare2],
  years: ["N", say.yearsOfTheLoan],
  principal: ["AMOUNT", say.sumOfTheLoan],
  module: ["NAME", say.moduleTypeOfTheSite],
  modules: ["LIST", say.moduleTypesOfTheLibrary],
  inputs: ["LIST", say.inputsAsVxaxnSeparatedByCommas],
  strings: ["FILE", say.stringsOfMixedModules],
  loads: ["FILE", say.appliancesAndBattery],
  a: ["METER", say.meterOfTheOneSide],
  b: ["METER", say.meterOfTheOtherSide],
  on: ["DATE", say.dateOfTheChange],
  meter: ["ID", say.meterOfTheSite],
  days: ["N", say.daysOnEachSide],
  "weather-zone": ["ZONE", say.zoneOfWeatherTimesEuropeMadrid],
  "weather-labels": ["SIDE", say.labelsAtTheStartOrEnd],
  "weather-year": ["YEAR", say.yearThatMonthlyMeansStandFor],
  "weather-dates": ["ORDER", say.dmyOrMdy],
  "weather-unit": ["UNIT", say.unitOfTheWeathersLight],
  "production-zone": ["ZONE", say.zoneOfProductionTimesEuropeMadrid],
  "production-labels": ["SIDE", say.labelsAtTheStartOrEnd2],
  "production-unit": ["UNIT", say.kwhWhWKwOrCounter],
  "production-dates": ["ORDER", say.dmyOrMdy],
  "fiscal-years": ["SIDE", say.startOrEndWhichCalendarYear],
  "reading-type": ["N", say.whichKindOfReadingOfTheMeterFile],
  columns: ["WHAT", say.whatManyColumnsAre],
  readings: ["PATH", say.fileOrFolderOfModules],
  "one-value": ["YES", say.thatReadingsOfOneNumberAreMeant],
  map: ["FILE", say.aColumnMapping],
  "weather-map": ["FILE", say.aColumnMappingOfTheWeather],
  evidence: ["FILE", say.anEvidence],
  files: ["FOLDER", say.folderOfRawFiles],
  terms: ["FILE", say.termsOfATest],
  accept: ["WHICH", say.sureNoneOrAllRemediesOf],
  conflicts: ["RULE", say.refuseFirstOrLastWhereReadings],
} as const satisfies Readonly<Record<string, readonly [argument: string, what: string]>>;

export type OptionName = keyof typeof OPTIONS;

/** Options as they were typed; `--json` prints the form of docs/formats.md. */
export type CliOptions = { readonly [K in OptionName]?: string } & { readonly json?: boolean };

const WEATHER: readonly OptionName[] = [
  "weather",
  "weather-zone",
  "weather-labels",
  "weather-year",
  "weather-dates",
  "weather-unit",
  "weather-map",
];
const PRODUCTION: readonly OptionName[] = [
  "production",
  "production-zone",
  "production-labels",
  "production-unit",
  "production-dates",
  "reading-type",
  "columns",
  "one-value",
  "fiscal-years",
  "accept",
];
const READING: readonly OptionName[] = ["map", "conflicts"];

/** What opens a ledger from files. */
export const LEDGER: readonly OptionName[] = ["site", ...WEATHER, ...PRODUCTION, "promise", "events", ...READING];
/** What reads single modules. */
export const MODULES: readonly OptionName[] = [
  "site",
  "readings",
  "production-zone",
  "production-labels",
  "production-unit",
  "production-dates",
  "map",
  "conflicts",
];
/** What opens one year of a site. */
export const SITE_YEAR: readonly OptionName[] = ["site", ...WEATHER, ...READING, "array"];
export const METERED_SITE: readonly OptionName[] = ["site", ...WEATHER, ...PRODUCTION, "events", ...READING];
