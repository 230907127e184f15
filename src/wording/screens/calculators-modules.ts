import { catalogue } from "../catalogue";

/** What the screens of calculators, modules say. */
export const say = catalogue({
  givesTheCheapestKilowattHourHere: (name: string, best: string, currency: string) =>
    `${name} gives the cheapest kilowatt-hour here: ${best} ${currency}, all parts counted.`,
  bringAYearOfWeatherAnd: "Bring a year of weather, and what each module yields here is reckoned.",
  theYearIsBeingRunFor: "The year is being run for each module …",
  modulesTwoToFive: "Modules, two to five",
  forAPower: "for a power",
  forAnArea: "for an area",
  electronicsAModule: (currency: string) => `Electronics a module, ${currency}`,
  priceOfOne: (name: string) => `Price of one ${name}`,
  signsByCells40KWarmer: (name: string, gammaPmpPerK: string, betaVocPerK: string, alphaIscPerK: string) =>
    `Signs, by ${name}: cells 40 K warmer than 25 °C change power by ${gammaPmpPerK} and voltage by ${betaVocPerK} (both fall with heat: negative), current by ${alphaIscPerK} (it rises a little: positive). In the cold the voltage rises: that is why strings are checked at the record low.`,
});
