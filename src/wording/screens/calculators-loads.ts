import { catalogue, type Fact } from "../catalogue";

/** What the screens of calculators, loads say. */
export const say = catalogue({
  whatTheArrayMakesByMonth: "What the array makes by month and hour is taken from the book’s weather: bring it in the Readings chapter.",
  whatIsUsed: "What is used",
  usedKwhADay: "used, kWh a day",
  madeKwhADay: "made, kWh a day",
  heavyLoadsBest: "heavy loads best",
  batteriesShortCircuitsWeldAndBurn:
    "Batteries: short circuits weld and burn. Insulated tools, no rings, a fuse at the battery, air for lead-acid gas; lithium wants its own management system, no charging below 0 °C, and a place where a fire would do no harm. Maker’s instructions and a licensed electrician come first.",
  ofWhatIsNeeded: (report: string) => `${report} of what is needed`,
  kwhADayAreUsedIn: (report: string, monthOfYear: string, report2: string, report3: Fact, report4: string) =>
    `${report} kWh a day are used in ${monthOfYear}, the worst month, and ${report2} kWh made: ${report3}. The battery carries ${report4} days without sun.`,
  theYearIsBeingGoneThrough: "The year is being gone through …",
  atFullSunAWouldFlow: (report: string, battery: string, battery2: string) =>
    `At full sun ${report} A would flow at ${battery} V; the charger takes ${battery2} A: the rest is lost. `,
  hADay: "h a day",
  mayBeUsed: "May be used, %",
  chargerTakesA: "Charger takes, A",
  allOnAtOnceWFull: (report: string, report2: string, battery: string, report3: string, report4: string) =>
    `All on at once: ${report} W. Full sun charges with ${report2} A at ${battery} V: ${report3} of the capacity an hour. Usable: ${report4} kWh. W and kW are power now; kWh is energy over a time.`,
});
