import { catalogue } from "../catalogue";

/** What the screens of ledger, days say. */
export const say = catalogue({
  mostKwhADayArrowKeys: (most: string) => `most ${most} kWh a day · arrow keys turn the days`,
  expectedAndMeteredEnergyOfEach: "Expected and metered energy of each day of the month",
  expectedMeteredKwh: (date: string, expectedKwh: string, meteredKwh: string) =>
    `${date}: expected ${expectedKwh}, metered ${meteredKwh} kWh`,
  theMeterPaid: "; the meter paid ",
  expectedKwMin: (stepMinutes: number) => `expected, kW (${stepMinutes} min)`,
  meteredKwMin: (stepMinutes: number) => `metered, kW (${stepMinutes} min)`,
  hoursOfTheSitesOwnClock: "hours of the site's own clock",
  noWeatherOnThisDaySo: "No weather on this day, so nothing can be said of it.",
  fellInUnreadTime: "fell in unread time. ",
  theSunOwed: "The sun owed ",
  haveNoCauseYet: "have no cause yet",
  cameAboveWhatWasOwed: "came above what was owed",
  expectedAndMeteredPowerOn: (dateName: string) => `Expected and metered power on ${dateName}`,
});
