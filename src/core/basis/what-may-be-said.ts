import { type Basis, type EnergyBasisKind, isUsual, type PlantBasis, type TariffBasis, type WeatherBasis } from "./basis";

/** Every answer of the product that a basis can carry or not. */
export const ANSWERS = [
  "expected-usual-year",
  "expected-this-time",
  "metered-against-promise",
  "share-of-weather",
  "ageing",
  "clear-days",
  "causes",
  "capacity",
  "guarantee",
  "what-if",
  "payback",
  "decisions",
  "savings",
  "string-limits",
] as const;
export type Answer = (typeof ANSWERS)[number];

/**
 * How far an answer may go: `yes` as it stands; `wider` with a wider interval; `usual-year` as what a usual year gives; `upper-bound` as the most there can be;
 * `less` in the parts that need no sun, or in per cent; `withheld` not at all.
 */
export type Permission = "yes" | "wider" | "usual-year" | "upper-bound" | "less" | "withheld";

/** What would carry an answer further. */
export type ToBring =
  | "measured-weather"
  | "any-sun"
  | "interval-readings"
  | "hourly-readings"
  | "readings"
  | "plant"
  | "datasheet"
  | "tariff"
  | "bills"
  | null;

export interface Ruling {
  readonly permission: Permission;
  readonly bring: ToBring;
}

type Column = "measured" | "rough" | "usual" | "cloudless" | "none";

const YES: Ruling = { permission: "yes", bring: null };
const rule = (permission: Permission, bring: ToBring): Ruling => ({ permission, bring });

/** The least that each answer needs of the light, and what it says below that. */
const BY_WEATHER: Readonly<Record<Answer, Readonly<Record<Column, Ruling>>>> = {
  "expected-usual-year": {
    measured: YES,
    rough: rule("wider", "measured-weather"),
    usual: rule("usual-year", null),
    cloudless: rule("upper-bound", "any-sun"),
    none: rule("withheld", "any-sun"),
  },
  "expected-this-time": {
    measured: YES,
    rough: rule("wider", "measured-weather"),
    usual: rule("withheld", "measured-weather"),
    cloudless: rule("withheld", "measured-weather"),
    none: rule("withheld", "measured-weather"),
  },
  "metered-against-promise": { measured: YES, rough: YES, usual: YES, cloudless: YES, none: YES },
  "share-of-weather": {
    measured: YES,
    rough: rule("wider", "measured-weather"),
    usual: rule("withheld", "measured-weather"),
    cloudless: rule("withheld", "measured-weather"),
    none: rule("withheld", "measured-weather"),
  },
  ageing: {
    measured: YES,
    rough: rule("withheld", "measured-weather"),
    usual: rule("withheld", "measured-weather"),
    cloudless: rule("withheld", "measured-weather"),
    none: rule("withheld", "measured-weather"),
  },
  "clear-days": {
    measured: YES,
    rough: YES,
    usual: rule("wider", "measured-weather"),
    cloudless: rule("wider", "measured-weather"),
    none: rule("wider", "measured-weather"),
  },
  causes: {
    measured: YES,
    rough: rule("wider", "measured-weather"),
    usual: rule("withheld", "measured-weather"),
    cloudless: rule("withheld", "measured-weather"),
    none: rule("withheld", "measured-weather"),
  },
  capacity: {
    measured: YES,
    rough: rule("wider", "measured-weather"),
    usual: rule("withheld", "measured-weather"),
    cloudless: rule("withheld", "measured-weather"),
    none: rule("withheld", "measured-weather"),
  },
  guarantee: {
    measured: YES,
    rough: rule("wider", "measured-weather"),
    usual: rule("withheld", "measured-weather"),
    cloudless: rule("withheld", "measured-weather"),
    none: rule("withheld", "measured-weather"),
  },
  "what-if": {
    measured: YES,
    rough: YES,
    usual: rule("usual-year", null),
    cloudless: rule("less", "any-sun"),
    none: rule("less", "any-sun"),
  },
  payback: { measured: YES, rough: YES, usual: YES, cloudless: rule("less", "readings"), none: rule("less", "readings") },
  decisions: {
    measured: YES,
    rough: YES,
    usual: rule("usual-year", null),
    cloudless: rule("less", "any-sun"),
    none: rule("less", "any-sun"),
  },
  savings: { measured: YES, rough: YES, usual: YES, cloudless: YES, none: YES },
  "string-limits": { measured: YES, rough: YES, usual: YES, cloudless: YES, none: YES },
};

/** Readings that an answer about what came can be told of. */
const NEEDS_ENERGY: readonly Answer[] = [
  "metered-against-promise",
  "ageing",
  "clear-days",
  "causes",
  "capacity",
  "guarantee",
  "share-of-weather",
];
/** Months tell the age of modules and the coarse causes, each less surely; a counter and bills do not tell age from weather. */
const WIDER: Ruling = rule("wider", "interval-readings");
/** A day without a cloud is told by its hours. */
const NO_HOURS: Ruling = rule("withheld", "hourly-readings");
const BY_SELDOM: Readonly<Partial<Record<Answer, Readonly<Partial<Record<EnergyBasisKind, Ruling>>>>>> = {
  ageing: { months: WIDER, counter: rule("withheld", "interval-readings"), bills: rule("withheld", "interval-readings") },
  "clear-days": { days: NO_HOURS, months: NO_HOURS, counter: NO_HOURS, bills: NO_HOURS },
  causes: { months: WIDER, counter: WIDER, bills: WIDER },
  capacity: { days: NO_HOURS, months: NO_HOURS, counter: NO_HOURS, bills: NO_HOURS },
  guarantee: { counter: rule("withheld", "interval-readings"), bills: rule("withheld", "interval-readings") },
};

const columnOf = (weather: WeatherBasis): Column =>
  isUsual(weather) ? "usual" : weather === "measured" || weather === "rough" || weather === "cloudless" ? weather : "none";

/** Answers that say what the plant should give: wider where somebody took a tilt or a number of modules for granted. */
const OF_THE_PLANT: readonly Answer[] = [
  "expected-usual-year",
  "expected-this-time",
  "share-of-weather",
  "causes",
  "capacity",
  "guarantee",
  "decisions",
];

/** Voltages and currents in the cold are a matter of safety: what is estimated is judged with its whole spread, what is assumed not at all. */
const BY_PLANT: Readonly<Record<PlantBasis, Ruling>> = {
  datasheet: YES,
  nameplate: rule("wider", "datasheet"),
  assumed: rule("withheld", "datasheet"),
};
/** A plan is trusted where it gives the printed bills again; else it stands beside what it does not explain. */
const BY_TARIFF: Readonly<Record<TariffBasis, Ruling>> = {
  "reproduces-bills": YES,
  typed: rule("less", "bills"),
  "flat-price": rule("less", "bills"),
  none: rule("withheld", "tariff"),
};

/** What an answer rests on; plant and tariff are the best there are where they are not named. */
type Rests = Pick<Basis, "weather" | "energy"> & Partial<Pick<Basis, "plant" | "tariff">>;

/** What may be said of an answer on a basis, and what to bring to get further. */
export function mayBeSaid(answer: Answer, { weather, energy, plant = "datasheet", tariff = "reproduces-bills" }: Rests): Ruling {
  if (answer === "string-limits") return BY_PLANT[plant];
  if (answer === "savings") return BY_TARIFF[tariff];
  const ruling = byWeatherAndEnergy(answer, { weather, energy });
  return plant === "assumed" && ruling.permission === "yes" && OF_THE_PLANT.includes(answer) ? rule("wider", "plant") : ruling;
}

function byWeatherAndEnergy(answer: Answer, { weather, energy }: Pick<Basis, "weather" | "energy">): Ruling {
  if (energy === "none" && NEEDS_ENERGY.includes(answer)) return rule("withheld", "readings");
  const ruling = BY_WEATHER[answer][columnOf(weather)];
  const seldom = BY_SELDOM[answer]?.[energy];
  return seldom && ruling.permission !== "withheld" ? seldom : ruling;
}
