import type { Inverter, ModuleType, Place, PvArray } from "../site";
import { type StringLimits, stringLimits } from "./string-limits";

/** Cells over the air on the hottest day, K, by which a working string is warmer. Source: IEC 62548:2016, annex on cell temperatures (30 to 35 K over air on open racks). */
const CELL_OVER_AIR_K = 35;
const USUAL_LOW_C = -10;
const USUAL_HIGH_C = 40;
const USUAL_SYSTEM_V = 1000;
/** Current above rating under bright edges of clouds and by tolerance. Source: IEC 62548:2016. */
const CURRENT_MARGIN = 1.25;

/** One limit of a string on its inverter: the value, what it must keep, and whether it does; null where the book does not say enough. */
export interface Limit {
  readonly value: number | null;
  readonly limit: number | null;
  readonly holds: boolean | null;
}

export interface StringCheck {
  readonly modulesInSeries: number;
  readonly strings: number;
  /** Open-circuit voltage on the coldest morning against what the input bears. */
  readonly coldVoc: Limit;
  /** Working voltage in the heat against the window's lower end, and in the cold against its upper end. */
  readonly hotVmp: Limit;
  readonly coldVmp: Limit;
  /** Short-circuit current of all strings of one input, with its margin. */
  readonly current: Limit;
  /** Modules that may stand in one string. */
  readonly range: { readonly least: number; readonly most: number } | null;
  readonly recordLowC: number;
  readonly hotCellC: number;
  /** The temperatures are usual ones: the book does not know its own. */
  readonly assumed: boolean;
}

const judged = (value: number | null, limit: number | null, holds: (v: number, l: number) => boolean): Limit => ({
  value,
  limit,
  holds: value === null || limit === null ? null : holds(value, limit),
});

/** Voltages and current of an array's strings against its inverter's limits. Source: IEC 62548:2016, Photovoltaic arrays: design requirements. */
export function stringCheck(place: Place, array: PvArray, module: ModuleType, inverter: Inverter): StringCheck {
  const perModule = inverter.perModule;
  const modulesInSeries = perModule ? 1 : (array.modulesPerString ?? array.count);
  const strings = perModule ? array.count : Math.ceil(array.count / modulesInSeries);
  const recordLowC = place.recordLowC ?? USUAL_LOW_C;
  const hotCellC = (place.recordHighC ?? USUAL_HIGH_C) + CELL_OVER_AIR_K;
  const { vocV, vmpV, iscA } = module;
  const at = (tempC: number): StringLimits | null =>
    vocV === null || vmpV === null
      ? null
      : stringLimits({
          modulesInSeries,
          vocStcV: vocV,
          vmpStcV: vmpV,
          betaVocPerK: module.betaVocPerK,
          vmpCoeffPerK: module.gammaPmpPerK,
          recordLowCellTempC: recordLowC,
          hotCellTempC: tempC,
          maxSystemV: inverter.maxDcV ?? USUAL_SYSTEM_V,
          mpptMinV: inverter.mpptMinV ?? 0,
        });
  const hot = at(hotCellC);
  const cold = at(recordLowC);
  const perInput = perModule ? 1 : Math.ceil(strings / (inverter.inputs ?? 1));
  return {
    modulesInSeries,
    strings,
    coldVoc: judged(hot?.stringVocColdV ?? null, inverter.maxDcV, (v, l) => v <= l),
    hotVmp: judged(hot?.stringVmpHotV ?? null, inverter.mpptMinV, (v, l) => v >= l),
    coldVmp: judged(cold?.stringVmpHotV ?? null, inverter.mpptMaxV, (v, l) => v <= l),
    current: judged(iscA === null ? null : iscA * CURRENT_MARGIN * perInput, inverter.inputMaxA, (v, l) => v <= l),
    range: hot && inverter.maxDcV !== null ? { least: Math.max(1, hot.minModules), most: hot.maxModules } : null,
    recordLowC,
    hotCellC,
    assumed: place.recordLowC === null || place.recordHighC === null,
  };
}
