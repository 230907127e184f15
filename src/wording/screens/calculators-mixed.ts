import { catalogue, type Fact } from "../catalogue";

/** What the screens of calculators, mixed say. */
export const say = catalogue({
  overAYearIsLostLeave: (share: string) => `Over a year ${share} is lost: leave it on one input.`,
  connectedSoNothingElsePays: "Connected so, nothing that is bought brings more than it costs.",
  overAYearIsLostTo: (share: string) =>
    `Over a year ${share} is lost to one weak module: take it out of this string and use it elsewhere, by itself.`,
  giveEachStringAnInputOf: "Give each string an input of its own",
  electronicsAtEachModule: "Electronics at each module",
  backAfterAtTheBooksPrice: (yearsAndMonths: string, currency: string) =>
    `, back after ${yearsAndMonths} at the price of a kilowatt-hour in ${currency}`,
  kwhAYearMore: (way: Fact, extraKwh: string, paybackYears: Fact) => `${way}: ${extraKwh} kWh a year more${paybackYears}.`,
  otherModulesInThisString: "other modules in this string",
  anotherStringBesideIt: "Another string beside it",
  aTrackerThatFindsTheHighest:
    "A tracker that finds the highest maximum is assumed; simple ones stop at a lower one and lose more. A small module in a big string is carried along at best, and burns its bypass diodes at worst.",
  wOnOneInputEachModule: (togetherW: string, eachAloneW: string, lost: string) =>
    `${togetherW} W on one input; each module by itself would give ${eachAloneW} W: ${lost} is lost to each other.`,
  theRuleOfThumbHolds: (watts: string) => `The rule of thumb (lowest current, lowest voltage) says ${watts} W and holds here.`,
  theRuleOfThumbTooLow: (watts: string, off: string) =>
    `The rule of thumb (lowest current, lowest voltage) says ${watts} W, ${off} too little: the weak part passes more than its rating, or is bypassed.`,
  theRuleOfThumbTooHigh: (watts: string, off: string) =>
    `The rule of thumb (lowest current, lowest voltage) says ${watts} W, ${off} too much.`,
  connectedOtherwise: (way: string, watts: string) => `Connected ${way}, the same modules give ${watts} W.`,
  asItIsSetHere: "as it is set here",
  connectThem: "Connect them",
  asSetBelow: "as set below",
  soManyStringsAlike: "Strings alike",
  beginAnew: "Begin anew",
  stringInSeries: (s: number, parts: number, alike: number) =>
    alike > 1 ? `${alike} strings alike, each ${parts} in series` : `String ${s}: ${parts} in series`,
  electronicsAtAModule: (currency: string) => `Electronics at a module, ${currency}`,
  anInputOfItsOwn: (currency: string) => `An input of its own, ${currency}`,
  currentAndPowerOverVoltage: "Current and power over voltage",
  ruleOfThumb: "rule of thumb",
  waysToConnect: "Ways to connect",
  everyStringOnItsOwn: "every string on its own",
  everyModuleOnItsOwn: "every module on its own",
  sumOfNameplates: "sum of nameplates",
  lightOnTheseModules: "Light on these modules",
  shareOfTheLightThatReaches: "Share of the light that reaches them",
});

/** Ways to connect modules in one choice. */
export const CONNECTION_NAMES = catalogue({
  series: "all in series",
  "by-kind": "each kind a string, side by side",
  parallel: "every module side by side",
});
