import { catalogue, type Fact } from "../catalogue";

/** What the screens of calculators, loads say. */
export const say = catalogue({
  whatIsUsed: "What is used",
  usedKwhADay: "used, kWh a day",
  madeKwhADay: "made, kWh a day",
  heavyLoadsBest: "heavy loads best",
  batteriesShortCircuitsWeldAndBurn:
    "Batteries: short circuits weld and burn. Insulated tools, no rings, a fuse at the battery, air for lead-acid gas; lithium wants its own management system, no charging below 0 °C, and a place where a fire would do no harm. Maker’s instructions and a licensed electrician come first.",
  ofWhatIsNeeded: (report: string) => `${report} of what is needed`,
  kwhADayAreUsedIn: (usedKwh: string, monthOfYear: string, madeKwh: string, verdict: Fact, autonomyDays: string) =>
    `${usedKwh} kWh a day are used in ${monthOfYear}, the worst month, and ${madeKwh} kWh made: ${verdict}. The battery carries ${autonomyDays} days without sun.`,
  theYearIsBeingGoneThrough: "The year is being gone through …",
  atFullSunAWouldFlow: (report: string, battery: string, battery2: string) =>
    `At full sun ${report} A would flow at ${battery} V; the charger takes ${battery2} A: the rest is lost. `,
  hADay: "h a day",
  mayBeUsed: "Depth of discharge, %",
  chargerTakesA: "Charger takes, A",
  allOnAtOnceWFull: (loadW: string, chargeA: string, voltageV: string, chargeRate: string, usableKwh: string) =>
    `All on at once: ${loadW} W. Full sun charges with ${chargeA} A at ${voltageV} V: ${chargeRate} of the capacity an hour. Usable: ${usableKwh} kWh. W and kW are power now; kWh is energy over a time.`,
});
