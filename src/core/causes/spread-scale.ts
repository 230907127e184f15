import { energyKwh } from "../readings";
import type { MeterSeries } from "../reconcile";
import { medianOf } from "../statistics";
import { MINUTE_MS } from "../units";
import { fillSpread } from "../yield";
import type { CauseBasis } from "./basis";

const LEAST_HOURS = 200;
/** Hours between these shares of the ceiling show their swing whole: no ceiling cuts it, no dawn bends it. */
const FROM_LOAD = 0.4;
const TO_LOAD = 0.82;
const LEAST_SWING = 0.01;
/** Means of quarter hours swing this much less than five-minute ones. Source: Skartveit & Olseth, 1992, autocorrelation inside the hour. */
const QUARTER_HOUR_GAIN = 1.2;
const MOST_SCALE = 1.2;
const LEAST_SCALE = 0.15;

/** A reading this near the ceiling lies on it. */
const HELD_FRAC = 0.985;

/**
 * How far the meter's own readings swing inside each hour, against what the sky model says; null where they are no finer than hours. An hour
 * that lay on the ceiling with all its readings, or with none, has no swing that a ceiling could cut.
 */
export function spreadScale(basis: CauseBasis, meters: readonly MeterSeries[], ceilingKwh: number): Float64Array | null {
  const meter = meters[0];
  if (!meter || meters.length > 1 || meter.axis.stepMinutes > 20 || basis.axis.stepMinutes !== 60 || !basis.weather.ghiWm2) return null;
  const per = Math.round(60 / meter.axis.stepMinutes);
  const kwh = energyKwh(meter.values, meter.quantity, meter.axis.stepMinutes);
  const shift = Math.round((basis.axis.startUtcMs - meter.axis.startUtcMs) / (meter.axis.stepMinutes * MINUTE_MS));
  const model = fillSpread(
    { up: basis.sun.up, ghiWm2: basis.weather.ghiWm2 },
    basis.axis.count,
    new Float64Array(basis.axis.count),
    new Float64Array(basis.axis.count),
  );
  const ratios: number[] = [];
  const isCut = new Uint8Array(basis.axis.count);
  for (let i = 0; i < basis.axis.count; i++) {
    const load = basis.meteredKwh[i]! / ceilingKwh;
    if (load > FROM_LOAD) {
      let held = 0;
      for (let k = 0; k < per; k++) if (kwh[shift + i * per + k]! * per > HELD_FRAC * ceilingKwh) held++;
      if (held > 0 && held < per) isCut[i] = 1;
    }
    if (!(load > FROM_LOAD && load < TO_LOAD) || basis.read[i] === 0 || !(model[i]! > LEAST_SWING)) continue;
    const mean = basis.meteredKwh[i]! / per;
    let square = 0;
    for (let k = 0; k < per; k++) square += (kwh[shift + i * per + k]! - mean) ** 2;
    if (!Number.isNaN(square)) ratios.push(Math.sqrt(square / per) / mean / model[i]!);
  }
  if (ratios.length < LEAST_HOURS) return null;
  const finer = meter.axis.stepMinutes > 7 ? QUARTER_HOUR_GAIN : 1;
  const scale = Math.max(LEAST_SCALE, Math.min(MOST_SCALE, medianOf(ratios) * finer));
  return Float64Array.from(isCut, (cut) => cut * scale);
}
