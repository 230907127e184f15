import { catalogue } from "../catalogue";

/** What the screens of ledger, days say. */
export const say = catalogue({
  mostKwhADayArrowKeys: (most: string) => `most ${most} kWh a day · arrow keys turn the days`,
  expectedAndMeteredEnergyOfEach: "Expected and metered energy of each day of the month",
  expectedMeteredKwh: (date: string, expectedKwh: string, meteredKwh: string) =>
    `${date}: expected ${expectedKwh}, metered ${meteredKwh} kWh`,
  expectedKwMin: (stepMinutes: number) => `expected, kW (${stepMinutes} min)`,
  meteredKwMin: (stepMinutes: number) => `metered, kW (${stepMinutes} min)`,
  hoursOfTheSitesOwnClock: "hours of the site's own clock",
  noWeatherOnThisDaySo: "No weather on this day, so nothing can be said of it.",
  expectedNothingMetered: "expected; nothing is metered yet.",
  suchAMonthGives: "such a month of a usual year gives",
  expectedCame: "expected came (",
  ofTheTimeRead: " of the time read). ",
  fellIntoDataGaps: "fell into data gaps. ",
  areUnexplained: "are unexplained: to check",
  areWithinTheTolerance: "are within what instruments can tell",
  expectedAndMeteredPowerOn: (dateName: string) => `Expected and metered power on ${dateName}`,
});
