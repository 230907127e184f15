import { catalogue } from "../catalogue";

/** What the bench of the gear's heat says. */
export const say = catalogue({
  runningTheYear: "The year is being gone through …",
  atTheMostIn: (where: string, hours: string, limit: string) => `at the most ${where}; ${hours} hours a year over ${limit}.`,
  heatHoldsBack: (kwh: string) => `Heat holds back ${kwh} kWh a year.`,
  heatHoldsNothingBack: "Heat holds next to nothing back.",
  batteryLasts: (kind: string, years: string, rated: string) =>
    `A ${kind} battery that is rated for ${rated} years at 25 °C lasts ${years} here.`,
  batteryLastsAShare: (kind: string, share: string) => `A ${kind} battery lasts ${share} here of what it is rated for at 25 °C.`,
  ratedFor: "Rated at 25 °C for",
  byItsSheet: "by its sheet",
  bestMended: (name: string, kwh: string, years: string) =>
    `Best: ${name}${[kwh, years].filter(Boolean).length > 0 ? `, ${[kwh, years].filter(Boolean).join(" and ")}` : ""}.`,
  kwhMore: (kwh: string) => `${kwh} kWh a year more`,
  yearsMore: (years: string) => `${years} years more`,
  stands: "It stands",
  painted: "Outside it is",
  theSun: "The sun",
  reachesIt: "reaches it",
  isKeptOff: "is kept off",
  air: "Air",
  fullPowerUpTo: "Full power up to",
  thenLess: "then less",
  none: "none",
  aNewOne: "A new one",
  movingTakes: "Moving takes",
  ofCable: "of cable",
  limitOfTheBook: "How the rating falls in the heat is the book’s.",
  limitIsUsual: (perK: string, from: string) =>
    `How the rating falls stands in the device’s manual; until it is typed, ${perK} a kelvin over ${from} is taken, as many devices have it.`,
  placesAndMends: "Ways to stand",
  wayToStand: "way to stand",
  hottest: (unit: string) => `hottest, ${unit}`,
  hoursOver: (limit: string) => `hours over ${limit}`,
  heldBackKwh: "held back, kWh",
  lastsShare: "battery lasts, of its rating",
  lastsYears: "battery lasts, years",
  bringsKwh: "brings, kWh",
  bringsMoney: (currency: string) => `${currency} a year`,
  hottestHourByMonth: "hottest hour of a usual day",
  frost: (hours: string) => `${hours} hours a year are below freezing: lithium must not be charged then.`,
  asItStands: "as it stands",
  shaded: "with the sun kept off: a second roof, a screen, a tree",
  withOpenings: "with openings low and high",
  withAFan: "with a small fan",
  paintedLight: "painted light",
  movedToTheShade: "moved: outside, in the shade",
  movedToACellar: "moved: a cellar or cool room",
  howItIsReckoned:
    "A space of usual size and build, its surfaces warmed by the sun of the hour and cooled by leaks, openings and the ground, the gear’s own heat in it. Own judgement in sizes: within some 5 K. Dust, a blocked filter or two devices close together make it hotter.",
  lithiumAndLead:
    "Lithium wants its own management system and no charging below 0 °C. Lead gives off gas when it is charged: air low and high, no spark, no flame. Never both in one box.",
  fireAndAir:
    "A place where a fire would do no harm: off escape ways and sleeping rooms, on a wall that does not burn, with the maker’s clearances all around. Moving gear means live DC: isolate first, and a licensed electrician moves it.",
});

export const GEAR_PLACE_NAMES = catalogue({
  "outside-shade": "outside, in the shade",
  "outside-sun": "outside, in the sun",
  "metal-box": "in a metal box or locker",
  "metal-shed": "in a metal shed",
  "wooden-shed": "in a wooden shed",
  garage: "in a garage or hall",
  attic: "under the roof, in an attic",
  cellar: "in a cellar or cool room",
});

export const COLOUR_NAMES = catalogue({ light: "light", middle: "middling", dark: "dark" });
export const AIRING_NAMES = catalogue({ closed: "closed", openings: "openings low and high", fan: "a small fan" });
export const BATTERY_NAMES = catalogue({ lead: "lead", lithium: "lithium" });
