import { catalogue } from "../catalogue";

/** What the screens of ageing say. */
export const say = catalogue({
  ageingIsReadFromMeteredOutput:
    "Ageing is read from metered output set against weather: bring both in the Readings chapter, best two full years or more.",
  ageingNotFromAUsualYear:
    "The light in this book is a usual year's. It knows nothing of the years that came, so no rate of ageing is told from it.",
  ageingNotFromMonths:
    "A counter that is read now and then, or bills, do not tell age from weather: the totals are shown as what they are.",
  ageingFromMonths:
    "Read from months alone, without the hours: what a month hides, such as an outage of days, is in it. Its interval stands, the single rate less.",
  totalsAreWeatherAndAgeingTogether: "Yearly totals are weather, dirt, outages and ageing together: no rate of ageing follows from them.",
  threeMethodsAndWhichToTrust: "Three methods, and which to trust",
  whatTheFiltersLeaveAndWhat: "What the filters leave, and what they do",
  aYearWouldBe: "% a year would be",
  tooFewDaysAreLeftA: "Too few days are left a year apart: the reading is made of all ",
  afterSettlingClearOrNot: "after settling, clear or not.",
  evidenceOnTheAgeingOfThe: (name: string) => `Evidence on the ageing of the modules at ${name}`,
  meteredEnergyAgainstMeasuredWeather: "; metered energy against measured weather.",
  methodDailyRatioOfMeteredEnergy: (report: string, seed: number) =>
    `Method: daily ratio of metered energy to what is expected of the plant without ageing in the weather that came; median of the changes between days one year apart (Jordan et al., 2018); interval from ${report} block-bootstrap samples (seed ${seed}), drift of sensors and meters included.`,
  leftOutOfTheIndexAnd: "Left out of the index, and why:",
  leftOfDays: (days: string, usedDays: string, guaranteed: string) => `Left of ${days} days: ${usedDays}. ${guaranteed}`,
  apartFromThatTheModulesFell: (fall: string, low: string, high: string) =>
    ` Apart from that, the modules fell by ${fall} (${low} to ${high}) in their first months.`,
  yearOnYear: "Year on year",
  medianOfAllPairsOfDays: "median of all pairs of days one year apart, through the weather; immune to seasons",
  trustThisOne: "trust this one",
  throughTheMonthlyIndexAfterSeasonal: "through the monthly index after seasonal decomposition; one odd year bends it",
  asReadOffTheMeterWeather: "as read off the meter: weather, snow, dirt and ageing together",
  notARateOfAgeing: "not a rate of ageing",
  daysReadWithEnoughLight: "days read, with enough light",
  standstillSnowAndStringsTakenOut: "standstill, snow and strings taken out",
  clearEnoughDaysDirtPutBack: "clear-enough days, dirt put back",
  lightsDriftTakenOff: "the light's own drift taken off",
  daysWithLittleDirtAfterSettling: "days with little dirt, after settling",
  indexThroughTheWeather: "Index through the weather",
  meteredOverExpectedWithoutAgeingBy:
    "metered over expected without ageing, by day; the fan is the interval of the rate, the bar that of the level",
  meteredOfTheTwelveMonthsUnread: "Σ metered of the twelve months, gaps filled by the months' read share",
  theLedgerYearsWithAMonth: "the ledger; years with a month missing are left out",
  theLedgerOfThisBook: "The ledger of this book.",
  weatherSnowDirtAndAgeingAre: "Weather, snow, dirt and ageing are all in it: a change from year to year is no rate of ageing.",
  thePlantWasCommissionedOn: (commissioned: string) => `The plant was commissioned on ${commissioned}.`,
  guaranteedInTheFirstYearA: (firstYear: string, eachYear: string, years: number) =>
    `Guaranteed: ${firstYear} in the first year, ${eachYear} a year after it, over ${years} years.`,
  theBookHoldsNoWarrantyTerms: "The book holds no warranty terms.",
  whatTheModelLeaves: "What the model leaves",
  meteredOverExpectedBeside:
    "Metered over expected in hours with nothing found to hold the plant, each month against its own level: dots with their 95 % intervals, clay where the line of no error lies outside. The three go together, since bright hours are hot ones: mend what has a reason of its own first.",
  percentOffExpected: "% off the month's level",
  partByPart: "Part by part",
  fasterThanTheRestBy: "faster than the rest by",
  tooSoonToTell: "too soon to tell",
  slowerThanGuaranteed: "slower than guaranteed",
  fasterThanGuaranteed: "faster than guaranteed",
  notPhysical: "not physical",
  rateAgainstWarranty: "rate against warranty",
  noWarrantyGiven: "no warranty given",
  yearlyLossOfEachPart: "Yearly loss of each part",
  oneMeterToldApartByThe: "one meter, told apart by the hours at which each plane has its sun",
  eachByItsOwnMeter: "each by its own meter",
});
