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
  viewOfTheChapter: (chapter: string) => `View of the ${chapter} chapter`,
  openTheLedger: "Open the ledger",
  dayOrLampLight: "Day or lamp light",
  switchTheThemeKeyD: "Switch the theme · key D",
  thisBook: "This book",
  otherBooks: "Other books",
  books: "Books",
  tools: "Tools",
  cautions: "Cautions",
  glossary: "Glossary",
  wordsThatAskForMeaning: "what is meaning",
  settings: "Settings",
  chapterOf: (book: string) => `Chapter of ${book}`,
  help: "Help",
  findAnything: "Find anything",
  keys: "Keys",
  wordsOnThisPage: "Words on this page",
  noWordsOnThisPage: "No label of this page has a line in the glossary.",
  nothingByThatName: "Nothing by that name.",
  numbersAndUnits: "Numbers and units",
  marksDaysAndUnits: "Marks of thousands, days, metric or imperial",
  wordsThatAskForUnits: "locale language region decimal comma point thousands date feet fahrenheit inch mph imperial metric settings",
  numbersAndDaysAsIn: "Numbers and days as in",
  units: "Units",
  metric: "Metric",
  imperial: "Imperial",
  filesKeepToSi: "For this browser alone. Files that are saved keep to the metric system and the decimal point.",
  useIt: "Write like this",
  bookChapterOrAction: "Book, view, term or caution",
});

interface Tool {
  readonly id: string;
  readonly label: string;
  readonly what: string;
  readonly path: string;
}

/** What belongs to no book. */
export const TOOLS: readonly Tool[] = [
  { id: "shelf", label: "The shelf", what: "All books · key 0", path: "/" },
  { id: "new", label: "New book", what: "From a site file, or from nothing", path: "/open" },
  {
    id: "bench",
    label: "Bench without a book",
    what: "A question on a roof in one line: tilt, cable, mixed modules, heat",
    path: "/bench",
  },
  { id: "trainer", label: "Trainer", what: "Six made-up months: what was it?", path: "/trainer" },
  { id: "validation", label: "Validation of the methods", what: "Greatest differences and tolerances", path: "/validation" },
];

interface Caution {
  readonly id: string;
  readonly label: string;
  readonly words: string;
  /** Where in the book the work that it belongs to is done. */
  readonly view: string;
}

/** What can hurt somebody, by the words that one would type. */
export const CAUTIONS: readonly Caution[] = [
  {
    id: "shut-down",
    label: "Shut down before work on strings",
    words:
      "First the AC side off, then the DC switch; never pull a connector under load. Voltage stays on the strings as long as there is light. Switch off, disconnect, isolate.",
    view: "field-book?view=spot",
  },
  {
    id: "dc-voltage",
    label: "DC voltage above the input's limit",
    words: "Do not switch anything; call an electrician. Arc, overvoltage, isolation.",
    view: "field-book?view=wall",
  },
  {
    id: "height",
    label: "Work on roofs, snow and wet modules",
    words:
      "No one goes up for kilowatt-hours without a harness and a second person. No cold water on hot glass, no hot water on cold glass. Ladder, cleaning, sweeping.",
    view: "ledger?view=dirt",
  },
  {
    id: "cold-voltage",
    label: "Cold voltage of a string",
    words:
      "A string's open-circuit voltage rises in the cold: without the place's record low it is not known whether it holds. Limit, Voc.",
    view: "site?view=wiring",
  },
];

/** Other words by which a view is looked for, by chapter and view. */
export const KEYWORDS: Readonly<Record<string, string>> = {
  "bench/costs": "mistake azimuth off tree shade dirt loss money compass",
  "bench/gear": "shed battery life temperature derating charger inverter room",
  "bench/snow": "storm ladder clearing albedo ground light",
  "bench/cable": "AWG wire gauge cross-section voltage drop copper sq mm",
  "bench/tilt": "angle rack seasonal",
  "bench/rows": "distance pitch spacing snow load",
  "bench/loads": "off-grid van battery appliances depth of discharge",
  "bench/mixed": "mismatch different modules series parallel",
  "bench/ground": "rack field carport",
  "site/losses": "warranty soiling ageing albedo price cost",
  "site/wiring": "inverter string voltage MPPT",
  "site/shade": "tree horizon obstacle panorama",
  "ledger/year": "months account expected metered unexplained",
  "ledger/causes": "why outage fault findings",
  "ledger/dirt": "soiling cleaning snow wash",
  "ledger/promise": "guarantee estimate quote",
  "ledger/figures": "PR performance ratio specific yield availability kWh/kWp",
  "money/payback": "return IRR NPV break-even",
  "money/bills": "savings utility electricity",
  "money/tariff": "price plan peak off-peak band",
  "money/loan": "interest annuity refinance",
  "money/cases": "worth it decide clean turn replace",
  "field-book/spot": "Voc Isc multimeter measure",
  "field-book/inverter": "display volts ampere",
  "field-book/trials": "side by side compare optimiser",
  "field-book/change": "repair effect before after",
  "field-book/reminders": "calendar insurance inspection due",
  "readings/bring": "import upload file CSV XLSX weather production",
  "readings/type": "hand counter meter reading monthly",
  "readings/feeds": "logger automatic pull",
  "readings/findings": "gaps clock unit spike remedy",
  "readings/record": "strips year day hour",
  "readings/health": "is it fine today",
};

interface KeyLine {
  readonly keys: string;
  readonly what: string;
}

/** Keys that work everywhere. */
export const KEYS: readonly KeyLine[] = [
  { keys: "1 … 8", what: "chapters of the open book" },
  { keys: "0", what: "the shelf" },
  { keys: "Ctrl K  or  /", what: "find anything" },
  { keys: "?", what: "this help" },
  { keys: "D", what: "day or lamp light" },
  { keys: "← →", what: "turn the days of a month" },
  { keys: "Esc", what: "close, or back to the year" },
  { keys: "Ctrl Z", what: "undo in grids and the site form" },
];
