import { catalogue } from "../catalogue";

/** Why a book on the shelf was set aside. */
export const wasSetAside = catalogue({
  time: "set aside: its sums took too long.",
  memory: "set aside: its sums took too much memory.",
  fault: "set aside: its sums broke off.",
  document: "set aside: its site document can't be read.",
});

/** What the screens of shelf say. */
export const say = catalogue({
  saysWhereTheSiteIsAnd:
    "says where the site is and what stands there: place, modules, arrays, inverters, meters, losses, promise, costs. Unknown fields are refused by name.",
  openABook: "Open a book",
  benchWithoutABook: "Or ask a bench without a book",
  aTownAndALine: "A town and a line about the roof are enough.",
  isTooLargeForASite: (name: string) => `${name} is too large for a site file.`,
  aSiteFileIsAJson: "A site file is a JSON document of a few kB; weather and production are brought in the book's Readings chapter.",
  moreThanOneFileCameAt: "More than one file came at once.",
  chooseASiteFile: "Choose a site file",
  itsMonthsExpectedMetered: "its months: expected, metered",
  largestLossFound: "largest loss found, kWh",
  state: "state",
  performanceIndex: "performance index",
  mostWasLostTo: (cause: string, book: string, year: string) => `Most was lost to ${cause} at ${book} in ${year}: `,
  notKnown: "not known",
  notSoughtYet: "not sought yet",
  monthsToCheck: (months: string) => `to check: ${months}`,
  noWeatherYet: "no weather yet: ",
  bringAFile: "bring a file",
  demoIsBeingMade: "The demo books are being made; each appears here when it is ready.",
  beingReckoned: "being reckoned …",
  beingReckonedAnew: "being reckoned anew",
  seeWhy: "See why",
  sheetsOfTheShelf: "Sheets of the shelf",
  booksFromTo: (from: number, to: number) => `books ${from} to ${to}`,
  ofTheseOnThisSheet: (books: string, needing: string, unknown: string) =>
    `${books}, sheet by sheet; of those on this one ${needing} for a check, and ${unknown} can't be judged for want of figures.`,
  someAreNotKnown: (books: string, needing: string, unknown: string) =>
    `${books}; ${needing} for a check, and ${unknown} no figures to be judged by.`,
  noBookYetABookHolds: "No book yet. A book holds all that is kept about one site: open one below.",
  inTheLastYearOfEach: (books: string) => `${books}. In the last year of each, what is unexplained is within what instruments can tell.`,
  forALookEnergyIsMissing: (books: string, needing: string) =>
    `${books}; ${needing} for a check: more is unexplained there than instruments can leave.`,
  expectedAndMeteredEnergyOfEach: (name: string, key: string) => `${name}: expected and metered energy of each month of ${key}`,
});
