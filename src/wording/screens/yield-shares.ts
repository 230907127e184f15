import type { DesignAccount, FoundAccount } from "@/core/accounts";
import { catalogue } from "../catalogue";

interface Group {
  readonly id: string;
  readonly name: string;
  readonly accounts: readonly DesignAccount[];
}

/** Where design losses happen, in the order in which light becomes energy. */
export const DESIGN_GROUPS: readonly Group[] = [
  { id: "light", name: "before the cells", accounts: ["orientation", "shading", "snow", "soiling", "reflection", "rear"] },
  { id: "modules", name: "in the modules", accounts: ["lowLight", "temperature", "rating", "ageing"] },
  { id: "electric", name: "from the modules to the meter", accounts: ["wiring", "inverter", "clipping", "curtailment", "downtime"] },
];

interface Way {
  readonly what: string;
  readonly path: (year: string) => string;
}

/** What is done about a loss, and where in the book. */
export const REGAIN: Partial<Record<FoundAccount, Way>> = {
  shading: { what: "see what stands in the light", path: () => "site" },
  snow: { what: "see what clearing brings", path: (year) => `ledger?view=dirt&year=${year}` },
  soiling: { what: "see when cleaning pays", path: (year) => `ledger?view=dirt&year=${year}` },
  strings: { what: "see which part was out", path: (year) => `ledger?view=causes&year=${year}` },
  derating: { what: "see when it held back", path: (year) => `ledger?view=causes&year=${year}` },
  curtailment: { what: "see when it was limited", path: (year) => `ledger?view=causes&year=${year}` },
  downtime: { what: "see when it stood still", path: (year) => `ledger?view=causes&year=${year}` },
};

/** What the three shares of a span say. */
export const say = catalogue({
  theWeathersShare: "The weather's share",
  thePlantsShare: "The plant's share",
  yoursToRegain: "Yours to regain",
  onThePlane: "on the plane: ",
  ofAUsualSky: (years: number) => ` of a usual sky, the mean of ${years} whole years.`,
  heatTook: (share: string, usual: string) => `Heat took ${share} of the reference energy, usually ${usual}.`,
  lightOfAUsualYear: "on the plane in a usual year. What this one brought is not known here: weather that was measured would tell.",
  nothingHeldAgainstAUsualYear: "A usual year's light can't say what was lost in this one.",
  oneYearCantSayWhatIsUsual: "on the plane. What is usual here is told from two whole years on.",
  sameMonthsOf: "same months of",
  ofUsual: "of usual",
  partOfIt: "in part",
  designLoss: "design loss",
  ofReference: "of reference",
  gainedIfRemoved: "gained if removed",
  energyAtTheMeterThatWould: "Energy at the meter that would be gained if this cause alone were absent",
  nothingIsMeteredYet: "Nothing is metered yet, so nothing is known to be lost beside the plan.",
  bringAProductionFile: "Bring a production file.",
  causesHaveNotBeenSought: "Causes have not been sought yet: what is short stands as unexplained.",
  nothingToRegain: "Nothing was lost beside the plan that somebody could do something about.",
  foundBesideThePlan: "found beside the plan",
  toRegain: "To regain",
  meteredWithoutWeather: "Metered without weather",
  foundAndNotToBeHelped: "found, more or less than planned",
  downToTheMeter: "from expected down to the meter",
  foundInAll: "Found in all",
});
