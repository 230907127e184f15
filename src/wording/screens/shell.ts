import { catalogue } from "../catalogue";

/** What the screens of shell say. */
export const say = catalogue({
  skipToThePage: "Skip to the page",
  theWholeShelf: "The whole shelf",
  showTheShelf: "Show the shelf",
  closeTheShelf: "Close the shelf",
  dustyLedgerToTheShelf: "Dusty Ledger: to the shelf",
  findAnythingCtrlK: "Find anything (Ctrl K)",
  switchBetweenDayAndLampLight: "Switch between day and lamp light",
  dayOrLampLightD: "Day or lamp light (D)",
  chapterOfThisBookKey: (key: string) => `Chapter of this book · key ${key}`,
  benchOfThisBook: "Bench of this book",
  viewOfTheChapter: (chapter: string) => `View of the ${chapter} chapter`,
  openTheLedger: "Open the ledger",
  allBooksKey0: "All books · key 0",
  fromASiteFileOrFrom: "From a site file, or from nothing",
  importAFile: "Import a file",
  weatherProductionOrPromise: "Weather, production or promise",
  sixMadeUpMonthsWhatWas: "Six made-up months: what was it?",
  validationOfTheMethods: "Validation of the methods",
  greatestDifferencesAndTolerances: "Greatest differences and tolerances",
  dayOrLampLight: "Day or lamp light",
  switchTheThemeKeyD: "Switch the theme · key D",
  nothingByThatName: "Nothing by that name.",
  bookChapterOrAction: "Book, chapter or action",
});
