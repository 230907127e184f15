import { say } from "@/wording/cli";
import { type CliOptions, LEDGER, METERED_SITE, MODULES, type OptionName, SITE_YEAR } from "./options";

/** A command: what it says, what it takes, and the work, which is loaded when it is asked for. */
export interface CommandShape {
  readonly what: string;
  readonly options: readonly OptionName[];
  readonly run: (options: CliOptions) => Promise<void>;
}

export const COMMANDS: Readonly<Record<string, CommandShape>> = {
  expect: {
    what: say.whatASoundPlantGivesIn,
    options: [...SITE_YEAR.filter((name) => name !== "array"), "from", "to"],
    run: async (options) => (await import("./expect")).expectCommand(options),
  },
  reconcile: {
    what: say.promiseExpectedMeteredAndCausesMonth,
    options: [...LEDGER, "from", "to"],
    run: async (options) => (await import("./reconcile")).reconcileCommand(options),
  },
  ageing: {
    what: say.rateOfAgeingWithItsInterval,
    options: LEDGER,
    run: async (options) => (await import("./ageing")).ageingCommand(options),
  },
  neighbours: {
    what: say.singleModulesAgainstTheirNeighbours,
    options: MODULES,
    run: async (options) => (await import("./neighbours")).neighboursCommand(options),
  },
  test: {
    what: say.aCapacityTestOrAGuarantee,
    options: [...METERED_SITE, "terms", "from", "to"],
    run: async (options) => (await import("./test")).testCommand(options),
  },
  verify: {
    what: say.whetherAnEvidenceIsWhatWasSigned,
    options: ["evidence", "files"],
    run: async (options) => (await import("./verify")).verifyCommand(options),
  },
  money: {
    what: say.paybacksInTheirNamedWaysAnd,
    options: [...LEDGER, "bills", "price", "price-rise", "basis"],
    run: async (options) => (await import("./money")).moneyCommand(options),
  },
};

const bench =
  (name: string): CommandShape["run"] =>
  async (options) =>
    (await import("./bench")).benchCommand(options, name);

const BENCH_OPTIONS: Readonly<Record<string, readonly [what: string, options: readonly OptionName[]]>> = {
  tilt: [say.whenToTiltARackAnd, [...SITE_YEAR, "goal"]],
  shade: [say.whatEachObstacleCosts, SITE_YEAR],
  rows: [say.howFarApartRowsHaveTo, ["site", "array", "from", "to"]],
  compass: [say.aCompassReadingCorrectedForDeclination, ["site", "reading", "date"]],
  case: [say.aDecisionCaseOnTheSites, [...SITE_YEAR, "case", "with", "price"]],
  loan: [say.aLoanMonthByMonth, ["site", "rate", "years", "principal"]],
  "spot-check": [say.whatAMeterShouldHaveRead, ["site", "with", "module", "date"]],
  "inverter-reading": [say.whatAnInvertersDisplaySaysOf, ["site", "inputs", "with", "date"]],
  "mixed-string": [say.theCurveOfAStringOf, [...SITE_YEAR, "strings"]],
  cable: [say.theCableThatPays, [...SITE_YEAR, "with"]],
  modules: [say.modulesComparedOnOneRoof, [...SITE_YEAR, "modules", "with"]],
  snow: [say.tiltAndGapAgainstSnow, SITE_YEAR],
  loads: [say.appliancesAndABatteryAgainstThe, [...SITE_YEAR, "loads"]],
  trial: [say.twoSidesAgainstEachOther, [...METERED_SITE, "a", "b", "from", "to"]],
  change: [say.beforeAndAfterAChange, [...METERED_SITE, "on", "meter", "days"]],
};

export const BENCHES: Readonly<Record<string, CommandShape>> = Object.fromEntries(
  Object.entries(BENCH_OPTIONS).map(([name, [what, options]]) => [name, { what, options, run: bench(name) }]),
);
