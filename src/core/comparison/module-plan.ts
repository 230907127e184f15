import { type AgeingRate, diodeAt, operatingPoint } from "../module";
import { agedShare, Exact, levelisedCost } from "../money";
import { circuitOf, type ModuleType, type PvArray, partOfSite, type Site } from "../site";

/** How many of a module are wanted: as many as bring a power, as fit an area, or just so many. */
export type ModuleGoal =
  | { readonly kind: "power"; readonly kwp: number }
  | { readonly kind: "area"; readonly areaM2: number }
  | { readonly kind: "count"; readonly count: number };

/** What a way of building costs, currency. */
export interface BuildPrices {
  readonly perModule: number;
  /** Electronics at each module: optimiser or its own inverter. */
  readonly electronicsPerModule: number;
  readonly rackingPerM2: number;
  readonly fixed: number;
}

export interface ModulePlan {
  readonly name: string;
  readonly count: number;
  readonly kwp: number;
  readonly areaM2: number | null;
  /** At standard conditions. */
  readonly efficiencyFrac: number | null;
  /** Of maximum power with cells at 65 C, against 25 C. */
  readonly hotFrac: number;
  /** Efficiency at 200 W/m2 against 1000; null where the datasheet is too thin. */
  readonly lowLightFrac: number | null;
  readonly cost: number;
}

const HOT_C = 65;
const LOW_LIGHT_WM2 = 200;

/** Count, area, behaviour and cost of one module for a goal. Throws a RangeError for an area goal without the module's area. */
export function modulePlan(name: string, module: ModuleType, goal: ModuleGoal, prices: BuildPrices): ModulePlan {
  const count = countOf(module, goal);
  const areaM2 = module.areaM2 === null ? null : module.areaM2 * count;
  return {
    name,
    count,
    kwp: (count * module.pmpW) / 1000,
    areaM2,
    efficiencyFrac: module.areaM2 === null ? null : module.pmpW / (1000 * module.areaM2),
    hotFrac: 1 + module.gammaPmpPerK * (HOT_C - 25),
    lowLightFrac: lowLight(module),
    cost: count * (prices.perModule + prices.electronicsPerModule) + (areaM2 ?? 0) * prices.rackingPerM2 + prices.fixed,
  };
}

function countOf(module: ModuleType, goal: ModuleGoal): number {
  if (goal.kind === "count") return goal.count;
  if (goal.kind === "power") return Math.ceil((goal.kwp * 1000) / module.pmpW - 1e-9);
  if (module.areaM2 === null) throw new RangeError("A module without an area can't be counted onto one");
  return Math.floor(goal.areaM2 / module.areaM2 + 1e-9);
}

function lowLight(module: ModuleType): number | null {
  const reference = circuitOf(module);
  if (!reference) return null;
  const dim = operatingPoint(diodeAt(reference, LOW_LIGHT_WM2, 25)).pmpW;
  return dim / operatingPoint(diodeAt(reference, 1000, 25)).pmpW / (LOW_LIGHT_WM2 / 1000);
}

/** The book with a module and a count of it in the place of one array; inverters grow with the power, so that none is held back for its size. */
export function siteWithModule(site: Site, array: PvArray, name: string, module: ModuleType, count: number): Site {
  const own = site.modules[array.module]!;
  const scale = (module.pmpW * count) / (own.pmpW * array.count);
  const alone = partOfSite(site, [array.id]);
  return {
    ...alone,
    modules: { ...site.modules, [name]: module },
    arrays: [{ ...array, module: name, count, modulesPerString: null }],
    inverters: alone.inverters.map((inverter) => ({
      ...inverter,
      acRatedW: inverter.acRatedW * (inverter.perModule ? module.pmpW / own.pmpW : scale),
    })),
    revisions: [],
  };
}

/** Levelised cost of a kilowatt-hour of what is bought once, over years of output that ages: by the one definition that the payback has. */
export function costPerKwh(cost: number, firstYearKwh: number, years: number, ageing: AgeingRate, discountFrac: number): number {
  const energyKwh = Array.from({ length: years }, (_, k) => firstYearKwh * agedShare(k + 1, ageing));
  return levelisedCost({ costs: [new Exact(cost)], energyKwh, discountFrac })?.toNumber() ?? Number.NaN;
}
