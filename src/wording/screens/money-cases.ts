import { catalogue, type Fact } from "../catalogue";

/** What the screens of money, cases say. */
export const say = catalogue({
  overYearsInTodaysMoney: (best: string, currency: string, horizonYears: number) =>
    `${best} ${currency} over ${horizonYears} years in today's money`,
  kwhAYear: (best: string, best2: string) => `${best} kWh a year ${best2}`,
  nothingElsePaysTheNearestBrings: (baseName: string, name: string, energy: Fact, value: Fact, turns: string) =>
    `${baseName}: nothing else pays. The nearest, “${name}”, brings ${energy} and would lose ${value}. ${turns}`,
  paidBackInYears: (best: string) => `, paid back in ${best} years`,
  worthItWhile: "Worth it while",
  itWouldBeWorthItIf: "It would be worth it if",
  aKwhNow: (isWorthIt: Fact, isWorthIt2: string, flipSide: Fact, flipPerKwh: string, currency: string, perKwh: string) =>
    `${isWorthIt} a kWh ${isWorthIt2} ${flipSide} ${flipPerKwh} ${currency} (now ${perKwh})`,
  whileTheExtraCostStaysUnder: (price: string, flipCost: string) => `${price} while the extra cost stays under ${flipCost}`,
  noPriceTurnsThisAnswer: "No price turns this answer.",
  worthItBelow: " (worth it below)",
  decisionsNeedTheWorthOfA: "Decisions need the worth of a kilowatt-hour.",
  enterTheWorth: "Enter it under Payback",
  overAUsualYear: "Over a usual year, not the years that came.",
  overACloudlessYear:
    "Over a cloudless year, which is the most there can be: what differs between the ways counts, less than the kilowatt-hours.",
  broughtToWhatIsCounted: (kwh: string) => `Brought to ${kwh} kWh a year, which the meter counts.`,
  broughtToThePromise: (kwh: string) => `Brought to ${kwh} kWh a year, which the promise says.`,
  washingNeedsRain: "How much the rain washes is not known: this sun has no rain in it, so nothing is said of washing.",
  bringRain: "Bring weather with rain",
  reckoningOverTheYear: "Reckoning over the years there are …",
  extraEnergyKwhAYear: "extra energy, kWh a year",
  worthInTheFirstYear: (currency: string) => `worth, ${currency} in the first year`,
  extraCostNow: "extra cost now",
  paidBackIn: "paid back in",
  overYearsTodaysMoney: (horizonYears: number) => `over ${horizonYears} years, today's money`,
  waysItCanGo: "Ways it can go",
  balanceAgainstInTodaysMoney: (baseName: string, currency: string) => `Balance against “${baseName}”, ${currency} in today's money`,
  balanceOfEachWayAgainstThe: "Balance of each way against the base over the years",
});
