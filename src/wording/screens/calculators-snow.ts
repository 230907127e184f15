import { catalogue } from "../catalogue";

/** What the screens of calculators, snow say. */
export const say = catalogue({
  stormsYouRemember: "Storms you remember",
  stormsYouRememberHow: "A day (12 Feb), how deep, wet or dry, and the air of the days after: each is followed until its cover is gone.",
  notADay: "A day such as 12 Feb",
  fellOn: "Fell on",
  airAfter: "Air after",
  typeAStorm: "Type a storm",
  anotherStorm: "Another storm",
  dropStorm: (on: string) => `Drop the storm of ${on}`,
  noSnowDepthTypeThem:
    "No weather here has a snow depth: type the storms that you remember, and each is told whether it was worth the ladder.",
  noneOfThemCovers: "None of these storms covers the modules: it takes a centimetre.",
  withoutAPriceTheMost: (day: string, kwh: string, count: number) =>
    `Of ${count} ${count === 1 ? "storm" : "storms"} the one of ${day} was the dearest: clearing it brings ${kwh} kWh. With the price of a kilowatt-hour it can be told which to clear.`,
  ofTypedStorms: (worth: number, count: number, cost: string, days: string, best: string) =>
    worth === 0
      ? `None of ${count} ${count === 1 ? "storm" : "storms"} repays ${cost} of clearing; the dearest was that of ${best}.`
      : `Clear after ${days}: ${worth} of ${count} ${count === 1 ? "storm" : "storms"} ${worth === 1 ? "repays" : "repay"} ${cost}. The dearest: ${best}.`,
  asIfSnowLayAllWinter: "As if old snow lay all around through the three darkest months: the most that there can be.",
  somebodyClaimsGroundLight: "Somebody claims so much from the snow’s light",
  notAClaim: "One figure or a range in per cent, such as 15 to 30 %.",
  claimBelievable: "Believable.",
  claimInBestMonth: "In its best month perhaps, not over the winter.",
  claimOutOfReach: "Not here.",
  snowGivesHere: (winter: string, month: string, tilt: string) =>
    `At ${tilt}° snow on the ground adds ${winter} over the months that have it, ${month} in the best of them.`,
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
