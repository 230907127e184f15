import { catalogue } from "../catalogue";

/** What the screens of calculators, modules say. */
export const say = catalogue({
  givesTheCheapestKilowattHourHere: (name: string, best: string, currency: string, isAssumed: boolean) =>
    `${name} gives the cheapest kilowatt-hour here: ${best} ${currency}, ${isAssumed ? "by assumed prices: type those that you were asked." : "by the prices below."}`,
  estimatedAs: (figure: string, spread: string) => `${figure} (estimated, ± ${spread})`,
  ownModuleOf: (watts: string) => `Own ${watts} W`,
  notUnderstood: (words: string) => `Not understood: ${words}`,
  aModuleOfYourOwn: "A module of your own, as its nameplate says",
  ownModuleExample: "Old ones: 195 W, Vmp 36.6, Imp 5.33, 72 cells",
  keepIt: "Keep it",
  dropModule: (name: string) => `Drop ${name}`,
  theYearIsBeingRunFor: "The year is being run for each module …",
  modulesTwoToFive: "Modules, two to five",
  forAPower: "for a power",
  forAnArea: "for an area",
  electronicsAModule: (currency: string) => `Electronics a module, ${currency}`,
  priceOfOne: (name: string) => `Price of one ${name}`,
  signsByCells40KWarmer: (name: string, gammaPmpPerK: string, betaVocPerK: string, alphaIscPerK: string) =>
    `Signs, by ${name}: cells 40 K warmer than 25 °C change power by ${gammaPmpPerK} and voltage by ${betaVocPerK} (both fall with heat: negative), current by ${alphaIscPerK} (it rises a little: positive). In the cold the voltage rises: that is why strings are checked at the record low.`,
});
