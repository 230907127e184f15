import type { AgainstPromise } from "@/core/ledger";
import { number, percent } from "../format";
import { say } from "../screens/ledger-attribution";
import type { Working } from "./working";

/** The mean of the months' own ratios, which lets a January weigh as much as a July. */
export const naiveRatio = ({ months }: AgainstPromise): number =>
  months.reduce((total, line) => total + line.meteredKwh! / line.promiseKwh!, 0) / months.length;

/** Metered over promised energy of the months that have both. */
export const promiseRatioWorking = (against: AgainstPromise): Working => ({
  title: say.meteredOverPromise,
  value: percent(against.meteredKwh / against.promisedKwh),
  unit: "",
  formula: say.meteredPromiseShareRead,
  inputs: [
    { name: "metered", value: `${number(against.meteredKwh)} kWh`, from: say.monthsWithBoth(against.months.length) },
    { name: "promise", value: `${number(against.promisedKwh)} kWh`, from: say.designStatementForTheTimeThat },
    { name: say.struckThroughMeanOfMonthlyPercentages, value: percent(naiveRatio(against)), from: "not used" },
  ],
  source: say.ratioOfSumsIec617241,
  assumptions: [say.monthsUnder90ReadAreLeft, say.aMeanOfPercentagesLetsA],
});
