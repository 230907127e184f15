import type { SunColumns } from "../sun";
import { type AirPlace, usualAirC } from "./usual-air";
import { ASSUMED_WIND_MS, type FilledWeather, type Weather } from "./weather";

/** Gaps up to this long are bridged by a straight line between their ends. */
const BRIDGED_MINUTES = 180;
/** Longer gaps take the mean of the same time of day, over this many days to each side at the most. */
const NEIGHBOUR_DAYS = 15;
/** Fewer neighbours than this say too little; the search widens, and in the end the value stays missing. */
const ENOUGH_NEIGHBOURS = 4;
/** Sine of the elevation below which a clearness index is noise. */
const LOW_SUN = 0.05;

interface GapRuleSteps {
  readonly bridged: number;
  readonly perDay: number;
}

interface IrradianceSteps extends GapRuleSteps {
  /** How far a clearness index may be carried to the low sun beside it. */
  readonly lowSun: number;
}

/** Bridges short gaps of a column in place and fills longer ones from the same time of day of near days. Returns the column. */
export function fillColumnGaps(values: Float64Array, steps: GapRuleSteps): Float64Array {
  const measured = values.slice();
  for (let i = 0; i < values.length; i++) {
    if (!Number.isNaN(values[i])) continue;
    let end = i;
    while (end < values.length && Number.isNaN(measured[end])) end++;
    const bridged = end - i <= steps.bridged && i > 0 && end < values.length;
    for (let k = i; k < end; k++) values[k] = bridged ? onLine(measured, i - 1, end, k) : ofNearDays(measured, k, steps.perDay);
    i = end;
  }
  return values;
}

function onLine(measured: Float64Array, left: number, right: number, at: number): number {
  return measured[left]! + ((measured[right]! - measured[left]!) * (at - left)) / (right - left);
}

function ofNearDays(measured: Float64Array, at: number, perDay: number): number {
  let sum = 0;
  let found = 0;
  for (let days = 1; days <= NEIGHBOUR_DAYS; days++) {
    for (const value of [measured[at - days * perDay], measured[at + days * perDay]]) {
      if (value === undefined || Number.isNaN(value)) continue;
      sum += value;
      found++;
    }
    if (found >= ENOUGH_NEIGHBOURS) return sum / found;
  }
  return found > 0 ? sum / found : Number.NaN;
}

/**
 * Fills gaps by rule: up to three hours on a straight line, longer ones from the same time of day of up to 15 days to each side
 * (irradiance through its clearness index, so that the sun's path stays true). Gaps that no near day can fill stay NaN. A site
 * without a thermometer gets the usual air of its place and season, one without an anemometer a usual wind. The sun is asked for where
 * irradiance has gaps.
 */
export function fillGaps(weather: Weather, place: AirPlace, sun: () => SunColumns): FilledWeather {
  const { stepMinutes, count } = weather.axis;
  const steps = {
    bridged: Math.round(BRIDGED_MINUTES / stepMinutes),
    perDay: Math.round(1440 / stepMinutes),
    lowSun: Math.ceil(60 / stepMinutes),
  };
  const filled = new Uint8Array(count);
  const irradiance = (column: Float64Array | null): Float64Array | null =>
    column && (hasGap(column) ? fillIrradiance(column, sun(), steps, filled) : column);
  const complete = (column: Float64Array | null, assumed: () => Float64Array): Float64Array => {
    if (!column) return assumed();
    return hasGap(column) ? fillColumnGaps(column.slice(), steps) : column;
  };
  return {
    axis: weather.axis,
    ghiWm2: irradiance(weather.ghiWm2),
    dniWm2: weather.dniWm2,
    dhiWm2: weather.dhiWm2,
    poaWm2: irradiance(weather.poaWm2),
    airTempC: complete(weather.airTempC, () => usualAirC(weather.axis, place)),
    windSpeedMs: complete(weather.windSpeedMs, () => new Float64Array(count).fill(ASSUMED_WIND_MS)),
    rainMm: weather.rainMm ?? null,
    snowDepthCm: weather.snowDepthCm ?? null,
    // Where the back was not measured the model tells it: no gap is filled.
    moduleTempC: weather.moduleTempC ?? null,
    albedo: weather.albedo ?? null,
    assumed: { air: weather.airTempC === null, wind: weather.windSpeedMs === null },
    filled,
    anyFilled: filled.includes(1),
  };
}

/** A sum is NaN when one of its values is: one pass without a branch. */
function hasGap(column: Float64Array): boolean {
  let sum = 0;
  for (let i = 0; i < column.length; i++) sum += column[i]!;
  return Number.isNaN(sum);
}

function fillIrradiance(measured: Float64Array, sun: SunColumns, steps: IrradianceSteps, filled: Uint8Array): Float64Array {
  const clearness = new Float64Array(measured.length).fill(Number.NaN);
  for (let i = 0; i < measured.length; i++) {
    const up = sun.up[i]!;
    if (up > LOW_SUN) clearness[i] = measured[i]! / (sun.extraterrestrialWm2[i]! * up);
  }
  const byDay = clearness.slice();
  fillColumnGaps(byDay, steps);
  const out = measured.slice();
  for (let i = 0; i < out.length; i++) {
    if (!Number.isNaN(measured[i])) continue;
    const up = sun.up[i]!;
    out[i] = up <= 0 ? 0 : nearestKnown(byDay, i, steps.lowSun) * sun.extraterrestrialWm2[i]! * up;
    if (up > 0 && !Number.isNaN(out[i])) filled[i] = 1;
  }
  return out;
}

/** The value at an index, or the nearest known one within reach; NaN when there is none. */
function nearestKnown(values: Float64Array, at: number, reach: number): number {
  for (let k = 0; k <= reach; k++) {
    for (const value of [values[at - k], values[at + k]]) if (value !== undefined && !Number.isNaN(value)) return value;
  }
  return Number.NaN;
}
