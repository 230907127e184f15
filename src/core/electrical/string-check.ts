import { mayBeSaid } from "../basis";
import { estimateSpread } from "../module";
import { type Inverter, type ModuleType, type Place, type PvArray, plantBasis, type Site } from "../site";
import { coldestAirGuessC } from "./cold-estimate";
import { seriesV, stringLimits } from "./string-limits";

/** Cells over the air on the hottest day, K, by which a working string is warmer. Source: IEC 62548-1:2023, cell temperatures on open racks (30 to 35 K over air). */
const CELL_OVER_AIR_K = 35;
const USUAL_HIGH_C = 40;
/** Current above rating under bright edges of clouds and by tolerance. Source: IEC 62548-1:2023. */
const CURRENT_MARGIN = 1.25;
/** Light on the back of a two-sided module over that on its front, at which its rating is told. Source: IEC TS 60904-1-2:2019 (135 W/m2 behind 1000). */
const REAR_OVER_FRONT = 0.135;

/** One limit of a string on its inverter: the value, what it must keep, and whether it does; null where the book does not say enough. */
export interface Limit {
  readonly value: number | null;
  readonly limit: number | null;
  readonly holds: boolean | null;
}

/** What a guess at the coldest air would mean, where the book has no record of it. */
export interface ColdGuess {
  readonly airC: number;
  readonly vocV: number | null;
  readonly vmpV: number | null;
}

export interface StringCheck {
  readonly modulesInSeries: number;
  readonly strings: number;
  /** Open-circuit voltage on the coldest morning against what the input bears, and against what the modules bear. Not known without the place's record. */
  readonly coldVoc: Limit;
  readonly moduleVoc: Limit;
  /** Working voltage in the heat against the window's lower end, and in the cold against its upper end. */
  readonly hotVmp: Limit;
  readonly coldVmp: Limit;
  /** Short-circuit current of all strings of one input, with its margin and the light on the back of two-sided modules. */
  readonly current: Limit;
  /** Modules that may stand in one string; null where a limit or the coldest air is not known. */
  readonly range: { readonly least: number; readonly most: number } | null;
  readonly recordLowC: number | null;
  /** Null where the record is known. */
  readonly coldGuess: ColdGuess | null;
  readonly hotCellC: number;
  /** The hottest air is a usual one: the book does not know its own. */
  readonly isHeatAssumed: boolean;
  /** Share by which light on the back adds to the current, 0 where the modules have one side. */
  readonly rearFrac: number;
}

/** The limits of a check, in the order in which they are shown. */
export const LIMIT_KEYS = ["coldVoc", "moduleVoc", "hotVmp", "coldVmp", "current"] as const;
export type LimitKey = (typeof LIMIT_KEYS)[number];

/** An estimated value is judged by both ends of its spread: where they disagree it is not known whether the limit holds. */
function judged(value: number | null, limit: number | null, holds: (v: number, l: number) => boolean, halfFrac = 0): Limit {
  if (value === null || limit === null) return { value, limit, holds: null };
  const [low, high] = [holds(value * (1 - halfFrac), limit), holds(value * (1 + halfFrac), limit)];
  return { value, limit, holds: low === high ? low : null };
}
const atMost = (value: number, limit: number): boolean => value <= limit;

/** The same for an array of a site: nothing is judged of modules that somebody took for granted, whatever else is written of them. */
export function siteStringCheck(site: Site, array: PvArray, inverter: Inverter): StringCheck {
  const check = stringCheck(site.place, array, site.modules[array.module]!, inverter);
  if (mayBeSaid("string-limits", { weather: "none", energy: "none", plant: plantBasis(site, ["modules"]) }).permission !== "withheld")
    return check;
  const unjudged = Object.fromEntries(LIMIT_KEYS.map((key) => [key, { ...check[key], holds: null }])) as Record<LimitKey, Limit>;
  return { ...check, ...unjudged, range: null };
}

/** Voltages and current of an array's strings against its inverter's limits. Source: IEC 62548-1:2023, Photovoltaic arrays: design requirements. */
export function stringCheck(place: Place, array: PvArray, module: ModuleType, inverter: Inverter): StringCheck {
  const perModule = inverter.perModule;
  const modulesInSeries = perModule ? 1 : (array.modulesPerString ?? array.count);
  const strings = perModule ? array.count : Math.ceil(array.count / modulesInSeries);
  const { recordLowC } = place;
  const hotCellC = (place.recordHighC ?? USUAL_HIGH_C) + CELL_OVER_AIR_K;
  const { vocV, vmpV, iscA } = module;
  const voc = (cellC: number): number | null => vocV && seriesV(modulesInSeries, vocV, module.betaVocPerK, cellC);
  const vmp = (cellC: number): number | null => vmpV && seriesV(modulesInSeries, vmpV, module.gammaPmpPerK, cellC);
  const inCold = (volts: (cellC: number) => number | null): number | null => (recordLowC === null ? null : volts(recordLowC));
  const perInput = perModule ? 1 : Math.ceil(strings / (inverter.inputs ?? 1));
  const rearFrac = module.bifacialityFrac * REAR_OVER_FRONT;
  const guessC = coldestAirGuessC(place);
  const spread = spreadOf(module);
  return {
    modulesInSeries,
    strings,
    coldVoc: judged(inCold(voc), inverter.maxDcV, atMost, spread("vocV")),
    moduleVoc: judged(inCold(voc), module.maxSystemV, atMost, spread("vocV")),
    hotVmp: judged(vmp(hotCellC), inverter.mpptMinV, (v, l) => v >= l, spread("vmpV")),
    coldVmp: judged(inCold(vmp), inverter.mpptMaxV, atMost, spread("vmpV")),
    current: judged(iscA && iscA * (1 + rearFrac) * CURRENT_MARGIN * perInput, inverter.inputMaxA, atMost, spread("iscA")),
    range: rangeOf(place, module, inverter, hotCellC),
    recordLowC,
    coldGuess: recordLowC === null ? { airC: guessC, vocV: voc(guessC), vmpV: vmp(guessC) } : null,
    hotCellC,
    isHeatAssumed: place.recordHighC === null,
    rearFrac,
  };
}

/** How far a value of the nameplate may be off, as a share: nothing where it was given. */
const spreadOf =
  (module: ModuleType) =>
  (field: "vocV" | "vmpV" | "iscA"): number =>
    module.estimated.includes(field) ? estimateSpread(module, field) : 0;

/** How many modules fit between the window's lower end in the heat and the lowest voltage that anything bears in the cold. */
function rangeOf({ recordLowC }: Place, module: ModuleType, inverter: Inverter, hotCellC: number): StringCheck["range"] {
  const { vocV, vmpV } = module;
  const isEstimated = module.estimated.includes("vocV") || module.estimated.includes("vmpV");
  if (vocV === null || vmpV === null || recordLowC === null || inverter.maxDcV === null || isEstimated) return null;
  const { minModules, maxModules } = stringLimits({
    modulesInSeries: 1,
    vocStcV: vocV,
    vmpStcV: vmpV,
    betaVocPerK: module.betaVocPerK,
    vmpCoeffPerK: module.gammaPmpPerK,
    recordLowCellTempC: recordLowC,
    hotCellTempC: hotCellC,
    maxSystemV: Math.min(inverter.maxDcV, module.maxSystemV ?? Number.POSITIVE_INFINITY),
    mpptMinV: inverter.mpptMinV ?? 0,
  });
  return { least: Math.max(1, minModules), most: maxModules };
}
