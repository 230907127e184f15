import { catalogue, type Fact } from "../catalogue";

/** What the screens of money, bills say. */
export const say = catalogue({
  billsAsPrinted: "Bills as printed",
  pasteRowsFromASheetHeads: "Paste rows from a sheet, heads included",
  takeWhatIsPasted: "Take what is pasted",
  bringAFile: "Bring a file",
  addAMonth: "Add a month",
  columnsFromToOrMonthImport:
    "Columns: from, to (or month), import_kwh, import_peak_kwh, import_offpeak_kwh, export_kwh, production_kwh, amount. A credit is an amount below zero.",
  rowIsNotWhatBelongsThere: (row: number, field: string, value: string, field2: string) =>
    `Row ${row}, ${field}: “${value}” is not what belongs there; expected ${field2}.`,
  leaveThemAsTheyWere: "Leave them as they were",
  fromToImportKwhExportKwh: "from\tto\timport_kwh\texport_kwh\tamount\n2024-01-01\t2024-01-31\t612\t20\t171.40",
  aDateAs20240131: "a date as 2024-01-31",
  monthByMonth: "Month by month",
  usedOnTheSpot: "self-consumed",
  withoutTheArray: "without the array",
  aBoughtKwh: "a bought kWh",
  billsByMonth: "Bills by month",
  estimatedNoBill: "estimated: no bill",
  usedOnTheSpotKwh: "self-consumed, kWh",
  withoutTheArray2: (currency: string) => `without the array, ${currency}`,
  noBillsYetWithThreeYears:
    "No bills yet. With three years before the array and all since, this page says what it saved, and when it is paid for. Type them, paste them from a sheet, or bring a file with the columns from, to, import_kwh, export_kwh, amount.",
  notAllCanBeToldMissing: (billsReport: string) => `Not all can be told: ${billsReport} missing.`,
  monthsOfBillsStandHereNone: (count: number) => `${count} months of bills stand here; none can be set against production yet.`,
  theArraySaved: "The array saved ",
  inOneMonth: "in one month",
  inMonths: (months: number) => `in ${months} months`,
  useByBandNotKnown: ", by the band in which the sun covered use, which is not known without weather or bands on the bills.",
  aYearOf: (between: string) => ` a year (${between}).`,
  aYearBySeason: (filledMonths: number) =>
    ` a year; ${filledMonths === 11 ? "eleven of its months stand" : `${filledMonths} of its months ${filledMonths === 1 ? "stands" : "stand"}`} on the season, not on a bill.`,
  backBetween: (from: string, by: string) => `${from} to ${by}`,
  beyond40Years: "beyond 40 years",
  planMissesTheBills: " The plan does not give the printed bills again, so don’t trust this figure yet.",
  ofItsEnergyWasUsedOn: (shares: string, shares2: string, shares3: string) =>
    ` ${shares} of its energy was self-consumed, which covered ${shares2} of the use; it made ${shares3} of what was used.`,
  standsAtOfWhatThePromise: (year: string, progress: string, monthsRead: number) =>
    ` ${year} stands at ${progress} of what the promise says of its ${monthsRead} months`,
  theTariffPlanThatWasIn: "the tariff plan that was in force (Tariff view)",
  productionOfTheBilledMonthsReadings: "production of the billed months (Readings chapter)",
  exportedEnergyOnTheBills: "exported energy on the bills",
  importsByThePlansBands: "imports by the plan's bands",
  billsFromBeforeTheArray: "bills from before the array",
  closeTheEditor: "Close the editor",
  enterPasteOrBringBills: "Enter, paste or bring bills",
  onCourseForKwh: (progress: string) => `, on course for ${progress} kWh`,
  yearByYear: "Year by year",
  saveTheMonthsAsCsv: "Save the months as CSV",
  saveAsXlsxWithFormulas: "Save as XLSX, with formulas",
  billsByYear: "Bills by year",
  savedByThreeMethods: "Saved, by three methods",
  cameBackOn: (date: string) => `came back on ${date}`,
  paidBackOn: "at this rate paid back on",
  pricesWeatherAndWhatElseWas: "prices, weather and what else was bought are in it",
  billsBeforeLessBillsAfter: "Bills before less bills after",
  notASaving: "not a saving",
  thePlanRunAgainOverPrinted: (months: number, exact: number) => `The plan run again over ${months} printed bills: ${exact} to the cent`,
  theTariffInForceOverWhat: "the tariff in force over what would have been bought, less the bill",
  toUseAtThePriceOfThe: "use at the price of the years before, less the bill",
  everyUsedAndEveryExportedKwh: "every used and every exported kWh at one price each",
  trustThisOne: "trust this one: its plan gives the printed bills again",
  useHasNoBand: "a range: when the sun covered use is not known, so all of it in the cheapest band or all in the dearest",
  noPrintedBillRunAgain: "not tested: no printed bill can be run again",
  missesPrintedBills: (beyond: number, months: number) =>
    beyond > 0
      ? `not to be trusted: ${beyond} of ${months} printed bills are missed by over 2 %; look for a band without energy or price, wrong dates, or a tax`
      : "not to be trusted: the printed bills together are missed by over 0.5 %",
  lowToHigh: (low: string, high: string) => `${low} to ${high}`,
  between: (low: string, high: string) => `between ${low} and ${high}`,
  blindToPriceRises: "blind to price rises",
  blindToHoursAndSeasons: "blind to hours and seasons",
  offInAllMostIn: (planTest: string, currency: string, worst: Fact) => `, ${planTest} ${currency} off in all, most in ${worst}`,
  aKwhOfTheSameUse: (price: string, price2: string, up: string, up2: string) =>
    `A kWh of the same use cost ${price} before the array and would cost ${price2} without it now: the old average price counts the ${up} ${up2} the array.`,
  lessThanTheAverageSinceFixed: "less than the average, since fixed charges stay and nights stay bought",
  moreThanTheAverageSinceIt: "more than the average, since it falls into dear hours",
  whatTheSunCoveredAvoidedA: (price: string, why: Fact) => `What the sun covered avoided ${price} a kWh: ${why}.`,
  toUseWentFromToKwhA: (why: string, why2: string) =>
    `Use went from ${why} to ${why2} kWh a year, so bills before less bills after is no saving.`,
  monthsWithoutABill: (count: number) =>
    `Show ${count === 1 ? "the month" : `the ${count} months`} without a bill, estimated from others: no sum counts ${count === 1 ? "it" : "them"}`,
  averagePrices: "Average price of a bought kWh",
  beforeTheArray: "before the array",
  sinceAsPrinted: "since, as printed",
  sinceWithoutExports: "since, without what exports earned",
  fixedOnFewer: (before: string, gross: string) =>
    `Fixed charges fall on fewer bought kWh since, and the sun takes hours of its own price: ${before} and ${gross} are prices of different kWh, and their difference is no price rise.`,
  onlyExportsMakeItLow: (net: string) => `${net} is no price of a kWh: what was earned for exports is taken off it.`,
  whyTheyPart: (words: string) => `Why they part. ${words}`,
});
