import { catalogue } from "../catalogue";

/** What the screens of calculators, snow say. */
export const say = catalogue({
  snowIsReckonedOverTheBooks: "Snow is reckoned over the book’s weather: bring it, with snow depth, in the Readings chapter.",
  inTheWeatherOf: "in the weather of",
  clearingBringsKwh: "clearing brings, kWh",
  wouldHaveLainDays: "would have lain, days",
  stormsTheDearestFirst: "Storms, the dearest first",
  whatSnowOnTheGroundGives: "What snow on the ground gives back",
  aYearsMonthKwh: "a year's month, kWh",
  brightGroundCountsMostForSteep:
    "Bright ground counts most for steep planes: an upright array sees half of its view as ground. Two runs of the chain, with the snow and without it, none on the modules.",
  snowFromTheGroundWithA:
    "Snow: from the ground, with a soft long-handled rake; no metal, no salt, no hot water. A loaded array lets go without warning: keep clear below, and never climb an iced roof. Dirt: soft water, a soft brush, cool glass in the early morning: no abrasive, no high pressure at the frame, no cold water on hot glass. Work at height wants fall protection and a second person.",
  howFastSnowLeavesByItself: "How fast snow leaves by itself",
  hoursOfThawOrSunTo: "hours of thaw or sun to clear it",
  marionEtAl2013AShare:
    "Marion et al., 2013: a share of 0.197 × sin(tilt) of the slope an hour, once air and sun are above the release line. Below about 10° rain leaves a dirty edge as well: wash that one by hand.",
  thisBooksWeatherHasNoSnow: "This book’s weather has no snow depth: bring a snow_depth_cm column, and each storm can be told.",
  noStormInTheRecordCovered: "No storm in the record covered these modules.",
  ofStormsWouldHaveRepaidOf: (repaid: number, storms: number, cost: string, currency: string, kindWords: string) =>
    `${repaid} of ${storms} storms would have repaid ${cost} ${currency} of clearing. ${kindWords}`,
  theWintersAreBeingGoneThrough: "The winters are being gone through …",
  clearingOnBringsKwhUntilIt: (dateName: string, clearing: string, price: string) =>
    `Clearing on ${dateName} brings ${clearing} kWh${price} until it would have slid off by itself.`,
  gainByMonth: "Gain by month",
  clearingBringsKwhWhereColdDays: (
    beforeColdKwh: string,
    beforeCold: number,
    afterDeepKwh: string,
    afterDeep: number,
    afterWetKwh: string,
    afterWet: number,
  ) =>
    `Clearing brings ${beforeColdKwh} kWh where cold days follow (${beforeCold}), ${afterDeepKwh} after 10 cm and more (${afterDeep}), ${afterWetKwh} after wet snow (${afterWet}).`,
});
