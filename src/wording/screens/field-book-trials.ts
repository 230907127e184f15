import { catalogue } from "../catalogue";

/** What the screens of field, book, trials say. */
export const say = catalogue({
  isItWorthIt: "Is it worth it",
  costsMoreBy: (name: string, currency: string) => `${name} costs more by, ${currency}`,
  onTheKwpOfItWould: (other: string, name: string) => `On the ${other} kWp of ${name} it would bring `,
  aYearMore: (worth: string) => ` a year more${worth}. `,
  backAfterAtTodaysPriceAnd: (yearsAndMonths: string) =>
    `Back after ${yearsAndMonths}, at today's price and with all that the sides differ in.`,
  theWeatherCorrectedIndex: "The weather-corrected index",
  rawOutputMovedBy: "Raw output moved by ",
  weatherAndSeasonAreInThat: ": weather and season are in that.",
  beforeAndAfter: (on: string, answer: string) => `Before and after ${on}: ${answer}`,
  withoutWeatherAChangeCantBe: "Without weather a change can't be told from a sunny month: bring a weather file in the Readings chapter.",
  giveTheDayOfAChange: "Give the day of a change: a turned array, a felled tree, a cleaning, a new inverter.",
  theDaysBeforeAndAfterAre: "The days before and after are being read …",
  tooFewReadableDaysAroundAt: (on: string, lEASTDAYS: number) =>
    `Too few readable days around ${on}: at least ${lEASTDAYS} on each side are needed.`,
  fromTheFieldBook: "From the field book",
  aDayOfItsOwn: "a day of its own",
  dayOfTheChange: "Day of the change",
  daysOnEachSideAtMost: "Days on each side, at most",
  theWholeSite: "the whole site",
  dayByDay: "Day by day",
  meteredExpectedLinesEachSidesLevel: "metered ÷ expected; lines: each side's level",
  leftOutOfTheRecordDays: (notWhole: number, dim: number, still: number) =>
    `Left out of the record: ${notWhole} days not read whole, ${dim} too dim to tell, ${still} that stood still or lay under snow.`,
  byHandMinutesApart: "By hand, minutes apart",
  agreeWithinATenth: "agree within a tenth",
  theSecondWayOfStandingGave: (measured: string, cloudless: string) =>
    `The second way of standing gave ${measured} against the first; a cloudless sky would give ${cloudless}.`,
  flatAgainstTiltedSayReadWatts: (array: string) =>
    `Flat against tilted, say: read watts or amperes both ways within a few minutes. Expected is ${array} under a cloudless sky.`,
  clockOnTheSite: "Clock on the site",
  readWOrA: "read, W or A",
  noACloudAWrongHour: "no: a cloud, a wrong hour, or another tilt",
  secondSideAgainstTheFirstDashed: "second side against the first; dashed: all together",
  theDifferenceAndTheHurriedOne: "The difference, and the hurried one",
  kwhAKilowattPeak: "kWh a kilowatt-peak",
  wholeYearBySeason: "whole year, by season",
  rawStretchedByDays: "raw, stretched by days",
  whatDiffersBesides: "What differs besides",
  byTheBookNothingElseDoes: "By what the book plans nothing else does.",
  theTrialCantTellTheseApart: "The trial can’t tell these apart from what it tries: the difference holds them all.",
  onlyTotals: "Only monthly totals, or a counter by hand?",
  compareTotals: "Compare them on the bench",
  aTrialSetsTwoMetersOf:
    "This view sets readings by the interval of two meters against each other, and finds them of one meter at most: months that were typed do not count here. Compare totals on the bench, or bring the second meter's readings in the Readings chapter.",
  bothSidesAreBeingPaired: "Both sides are being paired …",
  theTwoSidesShareNoLit: "The two sides share no lit time.",
  fromAllThereIs: "From (all there is)",
  notToldApart: (text: string, others: string) => `${text} Not told apart: ${others}.`,
  theThingThatIsTried: "The thing that is tried",
  byHourOfTheDay: "By hour of the day",
  byLightWMInThe: "By light, W/m² in the plane",
  whoWakesFirstOnDaysOn: (nameA: string, daysA: number, nameB: string, daysB: number, together: number) =>
    `Who wakes first: ${nameA} on ${daysA} days, ${nameB} on ${daysB}, together on ${together}. `,
  whoWorksLastOnOnTogether: (nameA: string, daysA: number, nameB: string, daysB: number, together: number) =>
    `Who works last: ${nameA} on ${daysA}, ${nameB} on ${daysB}, together on ${together}. `,
  layOnItsRatingOnDays: (name: string, days: number, clipping: string) => `${name} lay on its rating on ${days} days (${clipping} h). `,
});
