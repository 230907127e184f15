import { catalogue, type Fact } from "../catalogue";

/** What is said while a book is opened. */
export const say = catalogue({
  openABook: "Open a book",
  threeQuestions: "Where it stands, what stands there, and what you have. Nothing is stored before the book is opened.",
  where: "Where it stands",
  townOrCoordinates: "Town, or coordinates",
  townHow: "A town, with its country behind a comma, or coordinates as a phone gives them: 47.26, 11.39.",
  takenFor: (place: string, zone: string) => `${place}; clock of ${zone}.`,
  noSuchTown: "No town begins like this. Coordinates do as well: 47.26, 11.39.",
  heightAboveTheSea: "Height above the sea",
  heightHow: "Left open, sea level is taken.",
  nameOfTheBook: "Name of the book",
  whatStandsThere: "What stands there",
  theRoofInOneLine: "The roof, in one line",
  lineHow:
    "Several roofs go apart by a semicolon. 6 kWp are enough to begin; off the grid 4 × 100 W, 30 A charge controller, 120 Ah at 12 V.",
  linePlaceholder: "18 × 410 W, 30° south, 6 kW inverter",
  understood: "Understood",
  readBackHere: "Place and roof are read back here as they are typed: drawn, in words, with what was assumed.",
  modulesOf: (count: string, watts: string, kwp: string) => `${count} modules of ${watts}, ${kwp}`,
  lyingFlat: "lying flat",
  tiltedToward: (tilt: string, facing: string) => `tilted ${tilt}, ${facing}`,
  inverterOf: (kw: string) => `inverter of ${kw}`,
  inverterPerModule: (watts: string) => `an inverter of ${watts} behind each module`,
  noInverter: "no inverter",
  chargeController: "a charge controller",
  chargeControllerOf: (amps: string) => `a charge controller of ${amps}`,
  batteryOf: (kind: Fact, kwh: string, at: Fact) => `a ${kind}battery of ${kwh}${at}`,
  notUnderstood: (words: string) => `Not understood, and left out: ${words}.`,
  contradiction: (area: string, efficiency: string, made: string, said: string) =>
    `${efficiency} of ${area} make ${made}, not ${said}: one of the three is another module's.`,
  assumedSoFar: (list: string) => `Assumed until you say otherwise: ${list}.`,
  whatYouHave: "What you have",
  whatYouHaveHow: "Tick what is at hand. It is brought in next, and says what can be told.",
  nothingYet: "With nothing yet, the roof alone is drawn and measured.",
  canBeTold: "What can be told",
  answeredNow: "Answered",
  answeredWith: "with all that is ticked",
  notYet: "Not yet",
  openTheBook: "Open the book",
  cantBe: (why: string) =>
    `No book can be made of the line as it stands: ${why}. Change the line, or open it smaller and write the rest under Site.`,
  roofWithoutSize: (roof: number) => `Roof ${roof} has no size, and is left out: say how many modules, or how many kWp.`,
  needsAPlace: "It needs a place: a town or coordinates.",
  needsARoof: "It needs a roof: a number of modules, or kWp.",
  needsBoth: "It needs a place and a roof; all else can wait.",
  orASiteFile: "Or drop a site file on the shelf.",
});

/** What a book can open without. */
export const ASSUMPTION_WORDS = catalogue({
  elevation: "height above the sea",
  tilt: "tilt",
  azimuth: "azimuth",
  modules: "modules",
  inverter: "inverter (96 %, no limit)",
});

export const HAVE_WORDS = catalogue({
  logger: "A file of a logger or inverter, by the day or finer",
  weather: "A file of weather or irradiance",
  months: "Monthly numbers, on paper or in a sheet",
  bills: "Bills",
  display: "A display or a counter that can be read",
  quote: "A quote or a promise by month",
});
