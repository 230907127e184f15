import { catalogue } from "../catalogue";

/** What the bench of mistakes says. */
export const say = catalogue({
  whatItCosts: "What it costs",
  howItIs: "how it is",
  lost: "lost",
  kwhAYear: "kWh a year",
  moneyAYear: (currency: string) => `${currency} a year`,
  mendingBrings: "mending brings",
  kwhMore: (kwh: string) => `+${kwh} kWh`,
  nothing: "nothing",
  aKwhIsWorth: "A kWh is worth",
  runningTheYear: "The year is being run as it is and as it could be …",
  nothingSaidCosts: "Nothing of what is said here costs anything.",
  mostIsLostBy: (what: string) => `Most is lost by ${what}: `,
  aYearOfIt: (share: string, worth: string) => ` a year (${share}${worth}).`,
  worthOf: (worth: string, currency: string) => `, ${worth} ${currency}`,
  eachByItself:
    "Each by itself, against the same array without it: two mistakes together cost less than their sum where they take the same hour. Cable and string are told before the inverter. A figure below nothing means that it is better as it is.",
  beforeAnyoneGoesUp:
    "Turning, tilting and clearing mean work at height and on live DC: fall protection, a second person, isolation by the maker’s procedure, and a licensed electrician. A tree near an array is felled by somebody who has learnt it.",
  looksTo: "Looks to, °",
  couldLookTo: "could look to, °",
  standsAt: "Stands at, °",
  couldStandAt: "could stand at, °",
  leftAt: "Left at, °",
  insteadOfSteps: (steps: string) => `instead of ${steps}`,
  daysLate: "Days late",
  what: "What",
  wallOrHouse: "wall or house",
  standsToward: "Toward, °",
  dirtTakes: "Takes",
  dirtHow: "A share of the light, all year. Wash half of the modules and compare a clear noon to measure it.",
  longOneWay: "One way",
  isThick: "Is",
  couldBeThick: "could be",
  modulesOfIn: (inSeries: number) => `Modules of ${inSeries}`,
  areOf: "are of",
  withLight: "with light of",
});

/** As the verdict names them. */
export const MISTAKE_NAMES = catalogue({
  azimuth: "where it looks",
  tilt: "its tilt",
  left: "the rack that was left as it stood",
  late: "late changes of tilt",
  shade: "what stands before it",
  dirt: "dirt",
  cable: "the thin cable",
  string: "unlike modules in its string",
});

/** As the rows name them. */
export const MISTAKE_TITLES = catalogue({
  azimuth: "Turned away",
  tilt: "Wrong tilt",
  left: "Rack left as it stood",
  late: "Tilted late",
  shade: "Tree or wall",
  dirt: "Dirt",
  cable: "Long thin cable",
  string: "Old or shaded modules in a string",
});
