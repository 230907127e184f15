import { medianOf } from "../../statistics";
import { DAY_MS, HOUR_MS, MAD_TO_DEVIATION, MINUTE_MS, YEAR_MS } from "../../units";
import { fillSpread, meanExcess } from "../../yield";
import type { AttributionFrame } from "../record/frame";
import { ROUGH_SCATTER_FRAC } from "../shade/thresholds";
import { AT_CEILING_FRAC, FROM_LOAD, LEAST_ALIKE, LEAST_HOURS, LEAST_OFF, MOST_OVER_EXPECTED, SWING_OFF, TO_LOAD } from "./thresholds";

/** Halvings of the span that holds the uncut power: beyond any reading's digits. */
const HALVINGS = 30;
const SEASONS = 24;

/**
 * Share of each hour's output that the ceiling cut where nothing was read inside the hours, under rough light. Two things tell the uncut power: what was expected, as well as light and meter agree in
 * hours without a ceiling, and the reading, as the power that gives it once its swing is cut, as well as the swing is known. Both are weighed by their variances, so that
 * rough light yields to the meter. On the ceiling a reading tells no more: there rough light yields to other such hours of the same time of day and year. NaN where
 * an hour was not read whole. `expectedKwh` has every cause in it but the ceiling. Source of the swing: Skartveit & Olseth, 1992.
 */
export function cutFracOfWholeHours(frame: AttributionFrame, expectedKwh: Float64Array, ceilingKwh: number): Float64Array | null {
  const { axis, weather, sun, read, meteredKwh } = frame;
  if (!weather.ghiWm2 || axis.stepMinutes !== 60) return null;
  const lightOff = scatterOf(frame, expectedKwh, ceilingKwh);
  // Where light and meter agree the law of the swing is better than any single reading.
  if (lightOff === null || lightOff < ROUGH_SCATTER_FRAC) return null;
  const column = (): Float64Array => new Float64Array(axis.count);
  const swingFrac = fillSpread({ up: sun.up, ghiWm2: weather.ghiWm2 }, axis.count, column(), column());
  const likely = likelyOnCeiling(frame, expectedKwh, ceilingKwh, lightOff);
  return expectedKwh.map((expected, i) => {
    const metered = meteredKwh[i]!;
    if (read[i] === 0 || !(expected > 0)) return Number.NaN;
    const cutAt = (kwh: number): number => meanExcess(kwh, kwh * swingFrac[i]!, ceilingKwh);
    if (!(metered < AT_CEILING_FRAC * ceilingKwh)) return cutAt(likely[i]!) / likely[i]!;
    let [low, high] = [metered, Math.max(metered, MOST_OVER_EXPECTED * expected)];
    for (let k = 0; k < HALVINGS; k++) {
      const middle = (low + high) / 2;
      if (middle - cutAt(middle) < metered) low = middle;
      else high = middle;
    }
    const swingOff = Math.max(LEAST_OFF, SWING_OFF * swingFrac[i]!);
    const byLight = swingOff ** 2 / (swingOff ** 2 + lightOff ** 2);
    const uncut = byLight * expected + (1 - byLight) * high;
    return uncut > 0 ? cutAt(uncut) / uncut : 0;
  });
}

/** How far the reading of an hour without a ceiling lies from what was expected of it, one deviation; null where too few tell. */
function scatterOf({ read, meteredKwh }: AttributionFrame, expectedKwh: Float64Array, ceilingKwh: number): number | null {
  const off: number[] = [];
  for (let i = 0; i < expectedKwh.length; i++) {
    const load = expectedKwh[i]! / ceilingKwh;
    if (read[i] === 1 && load > FROM_LOAD && load < TO_LOAD) off.push(Math.abs(meteredKwh[i]! / expectedKwh[i]! - 1));
  }
  return off.length < LEAST_HOURS ? null : Math.max(LEAST_OFF, MAD_TO_DEVIATION * medianOf(off));
}

/**
 * What hours on the ceiling owe, drawn towards the mean of those at the same time of day and year by as much of their spread as is the light's own. Source: Efron & Morris,
 * 1973, Stein's estimation rule and its competitors: an empirical Bayes approach.
 */
function likelyOnCeiling(
  { axis, read, meteredKwh }: AttributionFrame,
  expectedKwh: Float64Array,
  ceilingKwh: number,
  lightOff: number,
): Float64Array {
  const alike = new Map<number, number[]>();
  for (let i = 0; i < axis.count; i++) {
    if (read[i] === 0 || !(expectedKwh[i]! > 0) || meteredKwh[i]! < AT_CEILING_FRAC * ceilingKwh) continue;
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    const season = Math.floor(((utcMs % YEAR_MS) / YEAR_MS) * SEASONS);
    const key = season * 24 + Math.floor((utcMs % DAY_MS) / HOUR_MS);
    const own = alike.get(key);
    if (own) own.push(i);
    else alike.set(key, [i]);
  }
  const out = expectedKwh.slice();
  for (const own of alike.values()) {
    if (own.length < LEAST_ALIKE) continue;
    const mean = own.reduce((sum, i) => sum + expectedKwh[i]!, 0) / own.length;
    const variance = own.reduce((sum, i) => sum + (expectedKwh[i]! / mean - 1) ** 2, 0) / (own.length - 1);
    const kept = Math.max(0, 1 - lightOff ** 2 / variance);
    for (const i of own) out[i] = mean + kept * (expectedKwh[i]! - mean);
  }
  return out;
}
