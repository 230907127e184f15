import { type CliOptions, LEDGER, METERED_SITE, type OptionName, SITE_YEAR } from "./options";

/** A command: what it says, what it takes, and the work, which is loaded when it is asked for. */
export interface CommandShape {
  readonly what: string;
  readonly options: readonly OptionName[];
  readonly run: (options: CliOptions) => Promise<void>;
}

export const COMMANDS: Readonly<Record<string, CommandShape>> = {
  expect: {
    what: "what a sound plant gives in the weather that came, month by month",
    options: [...SITE_YEAR.filter((name) => name !== "array"), "from", "to"],
    run: async (options) => (await import("./expect")).expectCommand(options),
  },
  reconcile: {
    what: "promise, expected, metered and causes, month by month",
    options: [...LEDGER, "from", "to"],
    run: async (options) => (await import("./reconcile")).reconcileCommand(options),
  },
  ageing: {
    what: "rate of ageing with its interval, and the warranty",
    options: LEDGER,
    run: async (options) => (await import("./ageing")).ageingCommand(options),
  },
  money: {
    what: "paybacks in their named ways, and savings from bills",
    options: [...LEDGER, "bills", "price", "price-rise", "basis"],
    run: async (options) => (await import("./money")).moneyCommand(options),
  },
};

const bench =
  (name: string): CommandShape["run"] =>
  async (options) =>
    (await import("./bench")).benchCommand(options, name);

const BENCH_OPTIONS: Readonly<Record<string, readonly [what: string, options: readonly OptionName[]]>> = {
  tilt: ["when to tilt a rack and how far", [...SITE_YEAR, "goal"]],
  shade: ["what each obstacle costs", SITE_YEAR],
  rows: ["how far apart rows have to stand", ["site", "array", "from", "to"]],
  compass: ["a compass reading corrected for declination", ["site", "reading", "date"]],
  case: ["a decision case on the site's own simulation", [...SITE_YEAR, "case", "with", "price"]],
  loan: ["a loan month by month", ["site", "rate", "years", "principal"]],
  "spot-check": ["what a meter should have read", ["site", "with", "module", "date"]],
  "inverter-reading": ["what an inverter's display says of its strings", ["site", "inputs", "with", "date"]],
  "mixed-string": ["the curve of a string of unlike modules", [...SITE_YEAR, "strings"]],
  cable: ["the cable that pays", [...SITE_YEAR, "with"]],
  modules: ["modules compared on one roof", [...SITE_YEAR, "modules", "with"]],
  snow: ["tilt and gap against snow", SITE_YEAR],
  loads: ["appliances and a battery against the sun", [...SITE_YEAR, "loads"]],
  trial: ["two sides against each other", [...METERED_SITE, "a", "b", "from", "to"]],
  change: ["before and after a change", [...METERED_SITE, "on", "meter", "days"]],
};

export const BENCHES: Readonly<Record<string, CommandShape>> = Object.fromEntries(
  Object.entries(BENCH_OPTIONS).map(([name, [what, options]]) => [name, { what, options, run: bench(name) }]),
);
