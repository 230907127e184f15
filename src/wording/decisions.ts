import type { Decision, PLAIN_SIDES, SideName } from "@/core/money";
import { inLocale } from "./catalogue";

interface DecisionWords {
  readonly name: string;
  readonly question: string;
  /** Where the work can hurt someone; it defers to local code. */
  readonly caution: string | null;
  /** Why a site can't face it. */
  readonly notFor: string;
  readonly inputs: Readonly<Record<string, string>>;
}

const DECISIONS: Readonly<Record<string, DecisionWords>> = {
  "larger-inverter": {
    name: "Larger inverter",
    question: "Is what clipping takes worth a larger inverter?",
    caution: "Grid connection: the operator must agree to a larger rating; a licensed electrician swaps it.",
    notFor: "The book names no inverter.",
    inputs: {
      rating: "New AC rating",
      price: "New inverter with its fitting",
      sold: "Received for the old one",
    },
  },
  "module-inverters": {
    name: "Module inverters or one",
    question: "Would an inverter at each module pay, by what mismatch and partial shade now take?",
    caution: "Live parts on the roof: a licensed electrician, and the maker's procedure.",
    notFor: "The book names no inverter, or has module inverters already.",
    inputs: {
      unit: "Rating of each",
      efficiency: "Its rated efficiency",
      each: "Each, fitted, more than its share of one",
    },
  },
  "which-module": {
    name: "Which module",
    question: "On the same area, is the dearer, better module worth it?",
    caution: null,
    notFor: "",
    inputs: {
      area: "Area for modules",
      powerA: "A: power",
      sizeA: "A: area of one",
      gammaA: "A: power by temperature",
      powerB: "B: power",
      sizeB: "B: area of one",
      gammaB: "B: power by temperature",
      priceA: "A: each",
      priceB: "B: each",
      rack: "Racking and electronics of a module",
    },
  },
  "add-modules": {
    name: "Add modules",
    question: "Add modules: on an input of their own, or in the same strings?",
    caution: "String voltage and input current have limits: see the bench before anything is connected.",
    notFor: "",
    inputs: {
      count: "Modules added",
      power: "Power of each",
      mismatch: "What sharing a string takes of the whole array",
      each: "Each, with racking and cable",
      input: "An input or inverter of their own",
    },
  },
  "roof-or-rack": {
    name: "Roof or ground rack",
    question: "Would the largest array pay for a rack on the ground that looks the right way and stays cooler?",
    caution: null,
    notFor: "",
    inputs: {
      tilt: "Tilt of the rack",
      azimuth: "Azimuth of the rack",
      rack: "Rack, footings, trench and cable",
      upkeep: "Mowing and fence, a year",
    },
  },
  "tilt-positions": {
    name: "Fixed or tilted",
    question: "Is a rack that is tilted 2, 4 or 12 times a year, or by a motor, worth its visits?",
    caution: "Wind and pinching: two people, and only in calm weather.",
    notFor: "",
    inputs: {
      fixed: "Fixed tilt",
      rack: "A rack that tilts, more than a fixed one",
      visit: "A change of tilt by hand",
      motor: "Motor and control",
      service: "Motor's service, a year",
    },
  },
  turn: {
    name: "Move or turn",
    question: "Would turning or moving the largest array pay?",
    caution: "Work at height and wind load: the rack's maker and local code decide what it bears.",
    notFor: "",
    inputs: {
      tilt: "New tilt",
      azimuth: "New azimuth",
      work: "The work",
    },
  },
  cleaning: {
    name: "Cleaning",
    question: "Is washing the modules worth it, once or more a year?",
    caution: "Work at height, wet surfaces, no abrasive, no cold water on hot glass.",
    notFor: "",
    inputs: {
      rate: "Dirt's growth on a dry day",
      rain: "Rain that washes, mm a day",
      each: "A cleaning",
    },
  },
  "snow-clearing": {
    name: "Snow clearing",
    question: "Is sweeping snow off the modules worth the way and the work?",
    caution: "Roof avalanches, ice and falls: never from a ladder, and not from below.",
    notFor: "The book reckons with no snow: choose a snow model in the Yield chapter.",
    inputs: {
      times: "Clearings a winter",
      share: "Of what snow takes, each winter, they bring back",
      each: "A clearing",
    },
  },
  tree: {
    name: "A tree in the way",
    question: "What would felling or trimming the tallest tree bring?",
    caution: "Felling near arrays and lines is a tree surgeon's work; protection rules and nesting seasons hold.",
    notFor: "No tree stands in the site's plan: draw it in the Site chapter.",
    inputs: {
      every: "Trimming again after",
      height: "Height left by trimming",
      fell: "Felling",
      trim: "Trimming",
    },
  },
  "new-roof": {
    name: "After a new roof",
    question: "The array has to come down for the roof. Put it back, scrap it, or renew it?",
    caution: "Work at height and on live DC: the maker's procedure, local code and a licensed electrician come first.",
    notFor: "",
    inputs: {
      better: "New modules give more, on the same area",
      left: "Years that the old ones still have",
      down: "Taking down and storing",
      again: "Putting the old ones back",
      scrap: "Scrapping the old ones",
      renew: "A new array, all in",
    },
  },
};

const PLAIN: Readonly<Record<(typeof PLAIN_SIDES)[number], string>> = {
  "live-with-it": "Live with it",
  "larger-inverter": "Larger inverter",
  "one-inverter": "One inverter",
  "module-inverters": "Module inverters",
  "as-it-is": "As it is",
  "on-an-input-of-their-own": "On an input of their own",
  "in-the-same-strings": "In the same strings",
  "on-the-roof": "On the roof",
  "on-a-ground-rack": "On a ground rack",
  fixed: "Fixed",
  "by-a-motor": "By a motor",
  "as-it-stands": "As it stands",
  turned: "Turned",
  "leave-it-to-the-rain": "Leave it to the rain",
  "wait-for-the-sun": "Wait for the sun",
  "clear-it": "Clear it",
  "let-it-stand": "Let it stand",
  "scrap-it-no-array": "Scrap it, no array",
  "put-the-old-one-back": "Put the old one back",
  "renew-it": "Renew it",
};

const TILTED: Readonly<Record<number, string>> = { 2: "Tilted twice a year", 4: "Tilted four times a year", 12: "Tilted every month" };
const TIMES: readonly string[] = ["Never", "Once", "Twice", "Three times"];
const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"];
const dayName = (day: string): string => `${Number(day.slice(3))} ${MONTHS[Number(day.slice(0, 2)) - 1]}`;
const treeName = (name: string): string => name.toLowerCase() || "tree";

/** What a decision asks, and what its figures are called. */
export function decisionInWords(id: string): DecisionWords {
  const words = DECISIONS[id]!;
  return {
    name: inLocale(words.name),
    question: inLocale(words.question),
    caution: words.caution && inLocale(words.caution),
    notFor: inLocale(words.notFor),
    inputs: Object.fromEntries(Object.entries(words.inputs).map(([key, label]) => [key, inLocale(label)])),
  };
}

/** A way that things could go. */
export const sideInWords = (side: SideName): string => inLocale(sideSentence(side));

function sideSentence(side: SideName): string {
  switch (side.code) {
    case "tilted":
      return TILTED[side.timesAYear] ?? `Tilted ${side.timesAYear} times a year`;
    case "modules":
      return `${side.letter}: ${side.count} × ${side.powerW} W`;
    case "cleaned":
      return `${TIMES[side.timesAYear] ?? `${side.timesAYear} times`} a year: ${side.monthDays.map(dayName).join(", ")}`;
    case "tree-trimmed":
      return `Trim the ${treeName(side.tree)}`;
    case "tree-felled":
      return `Fell the ${treeName(side.tree)}`;
    default:
      return PLAIN[side.code];
  }
}

/** A decision as people read it. */
export type NamedDecision = Decision<string>;
export const decisionsInWords = (decisions: readonly Decision[]): NamedDecision[] =>
  decisions.map((each) => ({ ...each, name: sideInWords(each.name) }));
